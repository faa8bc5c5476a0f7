# frozen_string_literal: true

module Windlass
  module Actions
    # What somebody told outside of a session counts as felt in the set that it followed: nothing is judged milder for
    # having been told elsewhere. Whichever comes first, the set or what was told, the other finds it.
    module CountFelt
      # @param session [Records::Session] that is over
      def self.call(session, now:)
        told =
          Records::Complaint.where(
            athlete_id: session.athlete_id, local_date: session.local_date, told_at: session.started_at..
          )
        told.order(:told_at).each { |one| add(session, one.symptom.to_sym, now: now) }
      end

      # @param symptom [Symbol] told on its own: what stops was acted on already
      def self.add(session, symptom, now:)
        return if session.symptoms.include?(symptom.to_s)

        session.symptoms |= [symptom.to_s]
        Records::Correction.keep(session, now: now)
        session.save!
        ActOnSymptoms.call(session, [symptom] - Progression::Symptoms::STOPS.keys, now: now)
      end
    end
  end
end
