# frozen_string_literal: true

module Windlass
  module Physiology
    # Lays a recorded oximeter trace over the session that it belongs to.
    module Alignment
      LAGS_S = (0..60)
      # So many readings tell the lag as well as all: one in two seconds of an hour.
      ENOUGH = 2_000
      # A trace that hardly moves says nothing of its lag. Saturation.
      LEAST_SWING = 0.02
      # After a hold its low may still be on the way to the finger for this long.
      AFTER_HOLD_S = 10

      # @param recorded [Array<Array(Numeric, Float)>] seconds since the start and saturation 0..1
      # @param trace [Trace] what the model says of the lungs' blood
      # @return [Numeric] seconds by which the recorded trace is late: where it fits the model best
      def self.lag_s(recorded, trace)
        recorded = thinned(recorded.select { |t, _| t.between?(0, trace.end_s + LAGS_S.max) })
        return Oximeter::DELAY_S if recorded.empty?

        low, high = recorded.map(&:last).minmax
        return Oximeter::DELAY_S if high - low < LEAST_SWING

        LAGS_S.min_by { |lag| misfit(recorded, trace, lag) }
      end

      # @param timeline [Timeline::Compiled]
      # @return [Hash{Integer => Float}] lowest reading of each hold that the recorded trace covers, by number
      def self.lows(recorded, timeline, lag_s)
        timeline
          .holds
          .to_h do |place|
            from = place.start_ms / 1000.0 + lag_s
            to = place.end_ms / 1000.0 + lag_s + AFTER_HOLD_S
            [place.number, recorded.select { |t, _| t.between?(from, to) }.map(&:last).min]
          end
          .compact
      end

      # @return [Array] every second one, or every third, until there are few enough
      def self.thinned(recorded) = recorded.each_slice((recorded.size / ENOUGH.to_f).ceil.clamp(1..)).map(&:first)

      # Mean squares about the means: a device that reads two points low all the time still aligns.
      def self.misfit(recorded, trace, lag)
        differences = recorded.map { |t, saturation| saturation - trace.at([t - lag, 0].max).sao2 }
        mean = differences.sum / differences.size
        differences.sum { |difference| (difference - mean)**2 } / differences.size
      end
      private_class_method :misfit, :thinned
    end
  end
end
