# frozen_string_literal: true

module Windlass
  module Presenters
    # A straight-line scale from values to places on a chart.
    Scale =
      Value.define(:from, :to, :start, :stop) do
        def self.of(values, places) = new(from: values[0].to_f, to: values[1].to_f, start: places[0], stop: places[1])

        # @return [Float] place, to a tenth of a unit
        def place(value) = (start + (value - from) / (to - from) * (stop - start)).round(1)

        # @return [Float]
        def value(place) = from + (place - start) / (stop - start) * (to - from)
      end

    # Round steps for an axis.
    module Ticks
      TIME_STEPS_S = [5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600].freeze

      # @param most [Integer] how many there is room for
      # @return [Array<Integer>] multiples of the first step that fits, 0 to the end
      def self.of(end_value, steps, most)
        step = steps.find { |one| end_value / one <= most } || steps.last
        (0..(end_value / step).floor).map { |index| index * step }
      end
    end
  end
end
