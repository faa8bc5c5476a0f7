# frozen_string_literal: true

module Windlass
  module Queries
    # What may still be done with a session, a decision or a prescription.
    module StillOpen
      # @return [Boolean] a false start, or written in; a symptom that stops stays
      def self.discardable?(session) =
        session.to_core.false_start? ||
          (!session.written_in.empty? && (session.symptoms.map(&:to_sym) & Progression::Symptoms::STOPS.keys).empty?)

      # @return [Boolean] a newer day of it is decided, or it was run once: nothing moves
      def self.noted?(prescription, date) =
        prescription.run_once || prescription.moves.where(noted: false, local_date: (date + 1)..).exists?

      # @return [Boolean] it may still be taken back
      def self.retractable?(move) =
        move.decided != "stop" && (move.noted || !noted?(move.prescription, move.local_date))

      # @return [Boolean] nothing of it was run yet
      def self.untouched?(prescription) = prescription.state == "active" && prescription.sessions.run.none?
    end
  end
end
