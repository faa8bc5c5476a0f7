# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps the judge's word on a day that changed, and on the later ones that it can reach: their past is another now.
    # Of days that are decided only a difference is kept; the coach takes it up or lets it be. Judging takes its time,
    # so it is done before anything is written.
    class StoreVerdict
      UNDECIDED = {verdict_now: nil, reason_now: nil}.freeze

      # @param session [Records::Session] any set of the day, as it is kept; what is said of it is said on it
      def self.call(session) = new(session).call

      def initialize(session)
        @session = session
        @athlete = session.athlete
        from = session.local_date
        # The judge looks back so far, and no further.
        @reach = from..(from + Queries::JudgeDay::HISTORY_DAYS)
        @past = Queries::JudgedPast.new(@athlete, (from - Queries::JudgeDay::HISTORY_DAYS)..@reach.end)
      end

      def call
        changes =
          (words + differences).reject { |record, columns| columns.all? { |column, value| record[column] == value } }
        tables = changes.group_by { |record, _| record.class }
        Records::Session.transaction { tables.each { |table, of| table.update_each(of) } }
      end

      private

      # On the newest set of each day without a decision.
      def words
        days
          .reject { |day, _| moves.key?(day) }
          .map do |_, sets|
            verdict = judge(sets)
            [
              sets.last,
              {
                proposed_verdict: verdict&.verdict&.to_s,
                proposed_reason: verdict&.reasons&.first&.text,
                proposed_plain: verdict&.plain? || false
              }
            ]
          end
      end

      def differences
        moves
          .reject { |_, move| move.noted }
          .map do |day, move|
            verdict = days[day] && judge(days[day])
            [
              move,
              (
                if verdict && verdict.verdict.to_s != move.verdict
                  {verdict_now: verdict.verdict.to_s, reason_now: verdict.reasons.first.text}
                else
                  UNDECIDED
                end
              )
            ]
          end
      end

      # @return [Progression::Verdict, nil] of the sets of a day that have the dose of its newest
      def judge(sets)
        newest = sets.last
        Queries::JudgeDay.judge(newest, @past.day(sets.select { |set| set.dose == newest.dose }.map(&:id)), @past)
      end

      # @return [Hash{Array(Integer, Date) => Array<Records::Session>}] sets by prescription and day
      def days
        @days ||=
          Records::Session
            .kept
            .where(athlete_id: @athlete.id, local_date: @reach)
            .in_order
            .map { |set| (set.id == @session.id) ? @session : set }
            .each { |set| bind(set) }
            .group_by { |set| [set.prescription_id, set.local_date] }
      end

      def moves =
        @moves ||=
          Records::Move
            .kept
            .where(prescription_id: prescriptions.keys, local_date: @reach)
            .index_by { |move| [move.prescription_id, move.local_date] }

      def prescriptions =
        @prescriptions ||=
          @athlete.prescriptions.to_a.each { |one| one.association(:athlete).target = @athlete }.index_by(&:id)

      def bind(set)
        set.association(:athlete).target = @athlete
        set.association(:prescription).target = prescriptions.fetch(set.prescription_id)
      end
    end
  end
end
