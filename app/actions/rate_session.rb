# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what the coach says of a session: effort, symptoms, note, first breaths and held times.
    # A stop acts at once, whether or not a verdict is decided.
    module RateSession
      STOPPED = "No hold work until a clinician has cleared it."

      # @param values [Hash] of Forms::RatingForm
      def self.call(session, values, now:)
        assign(session, values)
        session.transaction do
          session.save!
          session.rounds.each(&:save!)
          stops = values[:symptoms].map(&:to_sym) & Progression::Symptoms::STOPS.keys
          suspend(session, stops, now) if stops.any?
          pause_the_measure(session.athlete) if values[:symptoms].include?("panic")
          Propose.call(session)
        end
        session.reload
      end

      # Puts the values on the record and its rounds without keeping them.
      def self.assign(session, values)
        session.assign_attributes(effort: values[:effort], symptoms: values[:symptoms], note: values[:note].to_s)
        session.rounds.load.each { |round| round.assign_attributes(values[:rounds].fetch(round.number, {})) }
      end

      # After panic the control pause is not chased; the coach may take it up again.
      def self.pause_the_measure(athlete) = athlete.update!(control_pause_use: "paused")

      def self.suspend(session, stops, now)
        Records::Suspension.find_or_create_by!(session: session, kind: "stop") do |suspension|
          suspension.assign_attributes(account_id: session.account_id, athlete_id: session.athlete_id, opened_at: now,
            reason: "#{Progression::Symptoms.words(stops).capitalize} on #{Words.date(session.local_date)}. #{STOPPED}")
        end
      end
      private_class_method :suspend, :pause_the_measure
    end
  end
end
