# frozen_string_literal: true

module Windlass
  module Physiology
    # What a finger shows of what the lungs do: later, and smoothed.
    module Oximeter
      DEAD_TIME_S = 15.0
      LAG_S = 6.0
      # How late a reading is, all in all.
      DELAY_S = DEAD_TIME_S + LAG_S
      STEP = 0.01
      # The lag is followed this finely, whatever interval is asked for. Seconds.
      FINE_S = 0.25

      # @param trace [Trace]
      # @param interval_s [Numeric]
      # @return [Array<Array(Float, Float)>] seconds and saturation in steps of 0.01, from 0 to the end
      def self.readings(trace, interval_s)
        finger = finger_at_each_step(trace)
        (0..((trace.end_s + 1e-9) / interval_s).floor).map do |index|
          t = index * interval_s
          [t, round(finger[(t / FINE_S).round.clamp(0, finger.size - 1)])]
        end
      end

      def self.round(saturation) = (saturation / STEP).round * STEP

      def self.finger_at_each_step(trace)
        finger = trace.at(0).sao2
        toward = 1 - Math.exp(-FINE_S / LAG_S)
        (0..(trace.end_s / FINE_S).ceil).map do |step|
          next finger if step.zero?

          finger += (trace.at([(step - 0.5) * FINE_S - DEAD_TIME_S, 0].max).sao2 - finger) * toward
        end
      end
      private_class_method :finger_at_each_step
    end

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
