# frozen_string_literal: true

module Windlass
  module Squad
    # One athlete's session as the others see it: when it holds, and how long it lasts. Seconds from its own start.
    # @param holds [Array<Array(Numeric, Numeric)>] start and length of each
    # @param pair [String, nil] id of whom they watch, and who watches them
    Lane =
      Value.define(:id, :seconds, :holds, pair: nil) do
        # @return [Array<Numeric>] when a first breath comes: at a hold's end
        def first_breaths = holds.map { |start, length| start + length }

        # @param timeline [Timeline::Compiled] open holds count with their expected length
        # @param id [String]
        # @param pair [String, nil]
        def self.of(timeline, id:, pair: nil)
          new(
            id: id,
            seconds: timeline.total_ms / 1000.0,
            holds: timeline.holds.map { |place| [place.start_ms / 1000.0, place.ms / 1000.0] },
            pair: pair
          )
        end
      end
  end
end
