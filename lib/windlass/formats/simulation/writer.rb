# frozen_string_literal: true

module Windlass
  module Formats
    module Simulation
      # A {Physiology::Forecast} in, plain JSON values out. Nothing is rounded.
      module Writer
        # @param trace_every [Numeric, nil] seconds
        # @return [Hash]
        def self.write(forecast, trace_every: nil)
          output = {
            threshold: forecast.threshold,
            holds: forecast.holds.map(&:to_h_plain),
            end: forecast.end_state.to_h
          }
          trace_every ? output.merge(trace: trace(forecast.trace, trace_every)) : output
        end

        def self.trace(trace, interval_s)
          fingers = Physiology::Oximeter.readings(trace, interval_s)
          trace.every(interval_s).zip(fingers).map { |point, (_, finger)| point.to_h.merge(spo2: finger.round(2)) }
        end
        private_class_method :trace
      end
    end
  end
end
