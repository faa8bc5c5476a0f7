# frozen_string_literal: true

module Windlass
  module Physiology
    # A stand-in for a device: plays saturation and pulse for a session from the model, with seeded noise on top.
    # A real device would answer `readings` too.
    class SimulatedOximeter
      Reading = Value.define(:t, :saturation, :pulse)

      USUAL_PULSE = 62
      # Rough shares of the resting pulse, common practice without a source: holding slows it, effort raises it.
      HOLDING_SHARE = 0.82
      SHARE_PER_MET = 0.22
      FASTEST_PULSE = 190
      PULSE_LAG_S = 12.0
      NOISE_POINTS = 0.35
      NOISE_BEATS = 1.2

      # @param timeline [Timeline::Compiled]
      # @param trace [Trace] of that timeline
      # @param random [Random] seeded
      def initialize(timeline, trace, random:, resting_pulse: nil)
        @timeline = timeline
        @trace = trace
        @random = random
        @resting_pulse = resting_pulse || USUAL_PULSE
      end

      # @return [Array<Reading>] one a second; saturation in whole percent, pulse in whole beats a minute
      def readings
        pulse = @resting_pulse.to_f
        Oximeter
          .readings(@trace, 1)
          .map do |t, saturation|
            pulse += (pulse_wanted(t) - pulse) * (1 - Math.exp(-1 / PULSE_LAG_S))
            Reading.new(
              t: t,
              saturation: (saturation * 100 + noise(NOISE_POINTS)).round.clamp(40, 100),
              pulse: (pulse + noise(NOISE_BEATS)).round
            )
          end
      end

      private

      def pulse_wanted(t)
        segment = (@timeline.placed.find { |place| t * 1000 < place.end_ms } || @timeline.placed.last).segment
        return @resting_pulse * HOLDING_SHARE if segment.hold? && segment.mets <= 1

        [@resting_pulse * (1 + SHARE_PER_MET * (segment.mets - 1)), FASTEST_PULSE].min
      end

      # Two uniform draws make it peak in the middle.
      def noise(size) = (@random.rand + @random.rand - 1) * 2 * size
    end
  end
end
