# frozen_string_literal: true

module Windlass
  module Records
    # A time of the week, of a group or of one athlete.
    class Slot < Record
      self.table_name = "slots"
      belongs_to :group, optional: true
      belongs_to :athlete, optional: true

      scope :in_order, -> { order(:day, :at_min, :id) }

      # @return [Programme::Slot]
      def to_core = Windlass::Programme::Slot.new(day: day, at_min: at_min, minutes: minutes, place: place.presence)
    end
  end
end
