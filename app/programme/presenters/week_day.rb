# frozen_string_literal: true

module Windlass
  module Presenters
    # A day of a programme's week. wash: what lies behind it. event: what happens on it, in words.
    WeekDay =
      Value.define(:date, :words, :today, :wash, :event) do
        # @param event [Array<String>]
        def self.of(date, today, wash:, event:) =
          new(date: date, words: date.strftime("%a %-d %b"), today: date == today, wash: wash, event: event.join("; "))
      end
  end
end
