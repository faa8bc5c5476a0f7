# frozen_string_literal: true

module Windlass
  module Presenters
    # Which of a day's sets comes next.
    class TodaysSets
      # @param prescription [Records::Prescription]
      # @param today [Date]
      # @param done [Integer, nil] where that is known
      def initialize(prescription, today, done: nil)
        @prescription = prescription
        @today = today
        @done = done
      end

      # @return [Integer]
      def sets_done
        @done ||= Records::Session.sets_done(on: @today, prescription_id: @prescription.id).fetch(@prescription.id, 0)
      end

      # @param dose [Hash] as it is to be done today
      # @return [String, nil] nil where there is but one, and it is to be done
      def in_words(dose)
        sets = @prescription.to_protocol.sets(dose)
        return "#{(sets == 1) ? "Today's session is" : "All #{sets} sets of today are"} done" if sets_done >= sets

        "Set #{sets_done + 1} of #{sets}" if sets > 1
      end
    end
  end
end
