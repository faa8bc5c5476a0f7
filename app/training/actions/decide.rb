# frozen_string_literal: true

module Windlass
  module Actions
    # The coach accepts or overrules a verdict; the prescription moves, and the move is kept with its reasons. Where a
    # newer day is decided already, an older one is only noted: nothing moves.
    module Decide
      # @param verdict [Progression::Verdict]
      # @param decided [Symbol] the same as the verdict, or another of {Progression::OVERRULABLE}
      # @param because [String, nil] why, where it is another
      # @param of_the_day [Array<Records::Session>] the day's sets, where they are known
      # @param allowed_by [String, nil] uuid of the coach who lets plain ones move by themselves, where this is one
      # @return [Records::Move] the move of that day; the same decision a second time changes nothing
      # @raise [Error] where the day is decided otherwise already, or is not over
      def self.call(
        session, verdict, decided:, because:, now:, of_the_day: session.sets_of_the_day, allowed_by: nil
      )
        raise Error, Queries::Twins::OPEN if Queries::Twins.open?(*of_the_day)
        raise Error, Queries::JudgeDay::NOT_OVER unless verdict.stop? || Queries::JudgeDay.over?(of_the_day,
          today: now.to_date)

        prescription = session.prescription
        prescription.transaction do
          known = prescription.moves.find_by(local_date: session.local_date)
          next same(known, decided) if known

          noted = Queries::StillOpen.noted?(prescription, session.local_date)
          target = (decided == verdict.verdict) ? verdict.target : Progression::NextDose.target(decided, verdict.from)
          act(session, target, decided, now) unless noted
          record(session, verdict, decided, because, noted ? verdict.from : target, noted, now, allowed_by)
        end
      end

      # Two coaches, or two tabs: who comes second is told.
      def self.same(known, decided)
        return known if known.decided == decided.to_s

        raise Error,
          "This day is decided already#{known.by_whom}: #{known.decided}. Undo that decision first, if it is to be " \
          "#{decided}."
      end

      def self.act(session, target, decided, now)
        prescription = session.prescription
        if target.nil?
          prescription.fall_quiet(now)
        elsif decided != :repeat
          prescription.update!(dose: target.dose, reduced: target.reduced)
        end
        rest(session, now) if decided == :rest
      end

      def self.rest(session, now)
        until_on = Progression::NextDose.rested_on(session.local_date)
        Records::Suspension.find_or_create_by!(session: session, kind: "rest") do |suspension|
          suspension.assign_attributes(
            account_id: session.account_id,
            athlete_id: session.athlete_id,
            opened_at: now,
            opened_by: Records::Doing.uuid,
            prescription_id: session.prescription_id,
            until_on: until_on,
            reason: "Rest with quiet breathing until #{Words.date(until_on)}."
          )
        end
      end

      def self.record(session, verdict, decided, because, target, noted, now, allowed_by)
        session.prescription.moves.create!(
          account_id: session.account_id,
          session: session,
          decided_at: now,
          decided_by: allowed_by || Records::Doing.uuid,
          by_rule: !allowed_by.nil?,
          local_date: session.local_date,
          verdict: verdict.verdict,
          decided: decided,
          noted: noted,
          overruled_because: (because if decided != verdict.verdict),
          reasons: verdict.reasons.map(&:to_h),
          dose_before: verdict.from.dose,
          reduced_before: verdict.from.reduced,
          dose_after: target&.dose
        )
      end
      private_class_method :same, :act, :rest, :record
    end
  end
end
