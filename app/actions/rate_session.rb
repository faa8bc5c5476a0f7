# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what the coach says of a session: effort, symptoms, note, first breaths, held times, how exhales were.
    # A stop acts at once and each time that it is said, whether or not a verdict is decided.
    module RateSession
      # @param values [Hash] of Forms::RatingForm
      def self.call(session, values, now:)
        said_before = session.symptoms.map(&:to_sym)
        session.transaction do
          assign(session, values)
          session.save!
          session.rounds.each(&:save!)
          stops = (values[:symptoms].map(&:to_sym) - said_before) & Progression::Symptoms::STOPS.keys
          OpenStop.call(session.athlete, stops_in_words(stops, session.local_date), session: session, now: now) if stops.any?
          pause_the_measure(session.athlete, now.to_date) if values[:symptoms].include?("panic")
        end
        Propose.call(session)
        session.reload
      end

      # Puts the values on the record and its rounds without keeping them.
      def self.assign(session, values)
        session.assign_attributes(effort: values[:effort], symptoms: values[:symptoms], note: values[:note].to_s)
        session.rounds.load.each { |round| round.assign_attributes(values[:rounds].fetch(round.number, {})) }
      end

      # After panic the control pause is not chased; the coach may take it up again.
      def self.pause_the_measure(athlete, today)
        athlete.update!(control_pause_use: "paused", control_pause_again_on: today + KeepAthlete::AGAIN_DAYS) unless athlete.control_pause_use == "paused"
      end

      def self.stops_in_words(stops, on) = "#{Progression::Symptoms.words(stops).capitalize} on #{Words.date(on)}."
      private_class_method :stops_in_words, :pause_the_measure
    end
  end
end
