# frozen_string_literal: true

module Windlass
  module Actions
    # The coach accepts or overrules a verdict; the prescription moves, and the move is kept with its reasons.
    module Decide
      OVERRULABLE = %i[rest ease repeat advance].freeze

      # @param verdict [Progression::Verdict]
      # @param decided [Symbol] the same as the verdict, or another of {OVERRULABLE}
      # @param because [String, nil] why, where it is another
      # @return [Records::Move] the move of that day; a second decision changes nothing
      def self.call(session, verdict, decided:, because:, now:)
        prescription = session.prescription
        prescription.transaction do
          known = prescription.moves.find_by(local_date: session.local_date)
          next known if known

          target = (decided == verdict.verdict) ? verdict.target : Progression::Pawl.target(decided, verdict.from)
          move(prescription, target, decided, now)
          rest(session, now) if decided == :rest
          record(session, verdict, decided, because, target, now)
        end
      end

      def self.move(prescription, target, decided, now)
        if target.nil?
          prescription.fall_quiet(now)
        elsif decided != :repeat
          prescription.update!(dose: target.dose, reduced: target.reduced)
        end
      end

      def self.rest(session, now)
        until_on = session.local_date + 7
        Records::Suspension.find_or_create_by!(session: session, kind: "rest") do |suspension|
          suspension.assign_attributes(account_id: session.account_id, athlete_id: session.athlete_id, opened_at: now,
            prescription_id: session.prescription_id, until_on: until_on,
            reason: "Rest with quiet breathing until #{Words.date(until_on)}.")
        end
      end

      def self.record(session, verdict, decided, because, target, now)
        session.prescription.moves.create!(account_id: session.account_id, session: session, decided_at: now,
          local_date: session.local_date, verdict: verdict.verdict, decided: decided,
          overruled_because: (because if decided != verdict.verdict), reasons: verdict.reasons.map(&:to_h),
          dose_before: verdict.from.dose, reduced_before: verdict.from.reduced, dose_after: target&.dose)
      end
      private_class_method :move, :rest, :record
    end
  end
end
