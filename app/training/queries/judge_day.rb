# frozen_string_literal: true

module Windlass
  module Queries
    # Brings the day's sets and the past before the judge. Changes nothing.
    module JudgeDay
      # No rule looks further back: four weeks of holding, the row on this rung, six weeks of mornings.
      HISTORY_DAYS = Measures::MORNINGS_DAYS
      NOT_OFFERED = "The measures do not offer this protocol any more. Take a new one."
      NOT_OVER = "Verdict after the last set, or once it is given up."

      # @param session [Records::Session] the newest set of its day, perhaps with changes that are not saved
      # @param of_the_day [Array<Records::Session>] the day's sets, where they are known
      # @return [Progression::Verdict, nil] nil where the protocol is not offered any more
      def self.call(session, of_the_day: session.sets_of_the_day)
        sets = of_the_day.map { |set| (set.id == session.id) ? session : set }
        judge(
          session,
          of_day((sets.empty? ? [session] : sets).map(&:to_core)),
          JudgedPast.new(session.athlete, (session.local_date - HISTORY_DAYS)...session.local_date)
        )
      end

      # @param session [Records::Session] the newest set of its day
      # @param day [Progression::Session] that day's sets of its dose, as one
      # @param past [JudgedPast]
      # @return [Progression::Verdict, nil]
      def self.judge(session, day, past)
        standing = standing_at(session, past) or return
        Progression::Judge.judge(
          day,
          history: past.before(session.local_date),
          standing: standing,
          mornings: mornings(session)
        )
      end

      # @param sets [Array<Progression::Session>] of one day and dose, each alone
      # @return [Progression::Session] the sets as one, which is to have what all sets of its dose have
      def self.of_day(sets) =
        Progression::Session.of_day(
          sets,
          rounds_planned: sets.last.rounds_planned * sets.last.activity.sets(sets.last.dose)
        )

      # Of those who over-breathe: the others are not asked.
      def self.mornings(session)
        return unless session.to_protocol.over_breathing? || session.washout.to_f >= Physiology::OVER_BREATHED_MMHG

        Records::Measure.morning_series([session.athlete_id], since: session.local_date - HISTORY_DAYS).fetch(
          session.athlete_id
        )
      end

      # @param sets [Array<Records::Session>] of one prescription, one day and one dose
      # @param done [Integer, nil] sets among them that are no false starts, where that is known
      # @return [Boolean] the last of them is done, or given up, or the day is past
      def self.over?(sets, today:, done: nil)
        newest = sets.last or return false
        return true if newest.local_date < today || sets.any?(&:given_up)

        (done || done(sets)) >= newest.to_protocol.sets(newest.to_dose)
      end

      # @return [Integer] sets among them that are no false starts
      def self.done(sets) = sets.count { |set| !set.to_core.false_start? }

      # Where the athlete stood with the dose that was run; a light day's dose is no rung.
      def self.standing_at(session, past)
        prescription = session.prescription
        prescription.standing_with(
          session.light ? prescription.dose : session.dose,
          protocol: session.protocol,
          reduced: session.reduced,
          on: session.local_date,
          values: past.values,
          bounded_by: past.bounded_by
        )
      end
      private_class_method :standing_at, :mornings
    end
  end
end
