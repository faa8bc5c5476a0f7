# frozen_string_literal: true

module Windlass
  module Physiology
    # Looks on during one hold and notes when the first urge comes and when the oxygen floor is reached.
    # Times are seconds from the hold's start, nil while not reached.
    class HoldWatch
      attr_reader :urge_s, :floor_s, :lowest_saturation

      # @return [Float, nil] when alveolar oxygen falls so low that nobody is conscious and the numbers mean nothing any
      #   more
      attr_reader :beyond_s

      # @param threshold [Float, nil] urge stimulus at which the urge begins; nil: not calibrated
      # @param floor [Float] saturation, 0..1
      def initialize(subject, threshold:, floor:)
        @from_s = subject.elapsed_s
        @threshold = threshold
        @floor = floor
        @lowest_saturation = 1.0
        see(subject)
      end

      # To be called at the start and after every step.
      def see(subject)
        at_s = subject.elapsed_s - @from_s
        stimulus = subject.urge_stimulus
        saturation = subject.saturation
        @urge_s ||= crossing(at_s, @stimulus, stimulus, @threshold) if @threshold && stimulus >= @threshold
        @floor_s ||= crossing(at_s, @saturation, saturation, @floor) if saturation <= @floor
        @lowest_saturation = saturation if saturation < @lowest_saturation
        @beyond_s ||= at_s if subject.po2 < LOOK_AHEAD_END_MMHG
        @at_s, @stimulus, @saturation = at_s, stimulus, saturation
      end

      def complete? = !@floor_s.nil? && (@threshold.nil? || !@urge_s.nil?)

      private

      # Steps are short against the curves, so a straight line between two of them is exact to a few hundredths of a
      # second.
      def crossing(at_s, before, now, limit)
        return at_s if before.nil? || before == now

        @at_s + (at_s - @at_s) * (limit - before) / (now - before)
      end
    end
  end
end
