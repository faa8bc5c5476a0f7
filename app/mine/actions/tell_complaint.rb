# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps what somebody felt. What stops, stops all hold work at once; what was felt after a set counts as felt in it,
    # so that nothing is judged milder for having been told here. What stops is kept whether or not somebody agreed.
    module TellComplaint
      # @param values [Hash] of {Forms::FeltForm}
      # @return [Records::Complaint] the same, where it was sent twice
      def self.call(athlete, values, now:)
        known = Records::Complaint.find_by(uuid: values[:uuid], athlete_id: athlete.id)
        known || athlete.transaction { keep(athlete, values, now) }
      end

      def self.keep(athlete, values, now)
        symptom = values[:symptom].to_sym
        Consents.required!(athlete, now.to_date) unless Progression::Symptoms::STOPS.key?(symptom)
        told =
          Records::Complaint.create!(
            account_id: athlete.account_id, athlete: athlete, told_at: now, local_date: values[:felt_on],
            note: values[:note].to_s, **values.slice(:uuid, :symptom, :strength)
          )
        in_session(athlete, symptom, told, now)
        stop(athlete, symptom, told, now) if Progression::Symptoms::STOPS.key?(symptom)
        told
      end

      def self.stop(athlete, symptom, told, now)
        OpenStop.call(
          athlete,
          "#{Progression::Symptoms::STOPS.fetch(symptom).capitalize} on #{Words.date(told.local_date)}, told on the " \
          "athlete's own page.",
          complaint: told,
          now: now
        )
      end

      # The newest that was run on that day.
      def self.in_session(athlete, symptom, told, now)
        session = Records::Session.run.kept.where(athlete_id: athlete.id, local_date: told.local_date).order(:id).last
        return unless session

        CountFelt.add(session, symptom, now: now)
        StoreVerdict.call(session)
      end
      private_class_method :keep, :stop, :in_session
    end
  end
end
