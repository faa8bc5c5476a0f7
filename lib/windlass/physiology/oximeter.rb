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
      def self.readings(trace, interval_s) =
        finger(trace, interval_s).map { |t, saturation| [t, (saturation / STEP).round * STEP] }

      # @return [Array<Array(Float, Float)>] the same before a device rounds it
      def self.finger(trace, interval_s)
        finger = finger_at_each_step(trace)
        (0..((trace.end_s + 1e-9) / interval_s).floor).map do |index|
          t = index * interval_s
          [t, finger[(t / FINE_S).round.clamp(0, finger.size - 1)]]
        end
      end

      def self.finger_at_each_step(trace)
        finger = trace.at(0).sao2
        toward = 1 - Math.exp(-FINE_S / LAG_S)
        steps = (1..(trace.end_s / FINE_S).ceil)
        lungs = trace.saturations(steps.map { |step| [(step - 0.5) * FINE_S - DEAD_TIME_S, 0].max })
        [finger, *lungs.map { |saturation| finger += (saturation - finger) * toward }]
      end
      private_class_method :finger_at_each_step
    end
  end
end
