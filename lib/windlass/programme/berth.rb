# frozen_string_literal: true

module Windlass
  module Programme
    # A slot on a day. begins: its moment. jd: the day as a number; spot: the slot on that day as one.
    Berth =
      Value.define(:date, :slot, :begins, :jd, :spot) do
        def initialize(date:, slot:, begins:, jd: date.jd, spot: date.jd * 1440 + slot.at_min)
          super
        end
      end
  end
end
