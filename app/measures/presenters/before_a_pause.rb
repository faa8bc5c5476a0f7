# frozen_string_literal: true

module Windlass
  module Presenters
    # What stands against a control pause before it is taken. A stop closes it. Where the screening lacks something for
    # the smallest holds, the pause stays open, because it ends at the first urge; the page says what is lacking, and
    # that is the next step.
    class BeforeAPause
      # The mildest column of the screening in which something is held.
      SMALLEST = :small

      # @param athlete [Records::Athlete]
      # @param today [Date]
      def initialize(athlete, today:)
        @athlete = athlete
        @today = today
      end

      # @return [String, nil] why none is taken
      def stop = @athlete.stop_on(@today)&.reason

      # @return [String, nil] what the screening says of the smallest holds, where it does not let them go on
      def lacking
        return if finding.allows?

        [*finding.reasons, finding.lifts].compact.join(" ")
      end

      # @return [Boolean] a clinician's or a guardian's word would open them
      def word_missing? = finding.state == :clearance

      private

      def finding = @finding ||= @athlete.to_screen(on: @today).finding(SMALLEST, on: @today)
    end
  end
end
