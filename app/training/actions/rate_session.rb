# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what the coach says of a session: effort, symptoms, note, first breaths, held times, how exhales were.
    # A stop acts at once and each time that it is said, whether or not a verdict is decided.
    module RateSession
      # @param values [Hash] of Forms::RatingForm
      def self.call(session, values, now:)
        said_before = session.symptoms.map(&:to_sym)
        assign(session, values)
        return session if same?(session)

        session.transaction do
          Records::Correction.keep(session, now: now, rounds: rounds_before(session))
          session.save!
          session.rounds.each(&:save!)
          ActOnSymptoms.call(session, values[:symptoms].map(&:to_sym) - said_before, now: now)
        end
        StoreVerdict.call(session)
        session
      end

      # @return [Boolean] nothing else is said than before, and the judge has spoken
      def self.same?(session) =
        !session.proposed_verdict.nil? && [session, *session.rounds].none?(&:has_changes_to_save?)

      # @return [Hash{String => Hash}] what was said of rounds and changes now, by number
      def self.rounds_before(session)
        session
          .rounds
          .to_h { |round| [round.number.to_s, Records::Correction.changed(round)] }
          .reject { |_, before| before.empty? }
      end
      private_class_method :same?, :rounds_before

      # Whoever says how long it was has marked it.
      def self.assign_round(round, values)
        round.assign_attributes(values)
        round.unmarked = false if values.key?(:held_ms)
      end
      private_class_method :assign_round

      # Puts the values on the record and its rounds without keeping them.
      def self.assign(session, values)
        session.assign_attributes(effort: values[:effort], symptoms: values[:symptoms], note: values[:note].to_s)
        session.place = values[:place].to_s if values.key?(:place)
        session.ribs = values[:ribs] if values.key?(:ribs)
        session.rounds.load.each { |round| assign_round(round, values[:rounds].fetch(round.number, {})) }
      end
    end
  end
end
