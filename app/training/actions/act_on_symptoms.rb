# frozen_string_literal: true

module Windlass
  module Actions
    # What follows at once from symptoms, whoever notes them and wherever: stops wait for a clinician; after panic the
    # control pause is not chased, and the coach may take it up again.
    module ActOnSymptoms
      # @param new [Array<Symbol>] what was not said of this session before
      # @param where [String] how it was noted, where that says something
      def self.call(session, new, now:, where: "")
        athlete = session.athlete
        stops = new & Progression::Symptoms::STOPS.keys
        if stops.any?
          OpenStop.call(
            athlete,
            "#{Progression::Symptoms.words(stops).capitalize}#{where} on #{Words.date(session.local_date)}.",
            session: session,
            now: now
          )
        end
        return unless new.include?(:panic) && athlete.control_pause_use != "paused"

        athlete.update!(control_pause_use: "paused", control_pause_again_on: now.to_date + KeepAthlete::AGAIN_DAYS)
      end
    end
  end
end
