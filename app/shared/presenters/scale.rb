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
  end
end
