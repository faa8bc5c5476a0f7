# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps the judge's word on a day that changed, and on the later ones that it can reach: their past is another now. Of days
    # that are decided only a difference is kept; the coach takes it up or lets it be. Judging takes its time, so it is done
    # before anything is written.
    module Propose
      # @param session [Records::Session] any set of the day
      def self.call(session)
        words = undecided(session).map { |set| [set, word(JudgeDay.call(set))] }
        differences = decided(session).map { |move| [move, difference(move)] }
        session.transaction do
          words.each { |set, columns| set.update_columns(columns) }
          differences.each { |move, columns| move.update_columns(columns) }
        end
      end

      # The newest set of each day.
      def self.undecided(session)
        sets = Records::Session.kept.where(athlete_id: session.athlete_id, local_date: reach(session)).undecided.in_order
        sets.group_by { |set| [set.prescription_id, set.local_date] }.values.map(&:last)
      end

      def self.decided(session)
        Records::Move.kept.where(noted: false).joins(:session).where(sessions: {athlete_id: session.athlete_id}, local_date: reach(session))
      end

      # The judge looks back so far, and no further.
      def self.reach(session) = session.local_date..(session.local_date + JudgeDay::HISTORY_DAYS)

      def self.word(verdict) = {proposed_verdict: verdict&.verdict, proposed_reason: verdict&.reasons&.first&.text, proposed_plain: verdict&.plain? || false}

      def self.difference(move)
        set = Records::Session.kept.where(prescription_id: move.prescription_id, local_date: move.local_date).in_order.last
        verdict = set && JudgeDay.call(set)
        differs = verdict && verdict.verdict != move.verdict.to_sym
        {verdict_now: differs ? verdict.verdict : nil, reason_now: differs ? verdict.reasons.first.text : nil}
      end
      private_class_method :undecided, :decided, :reach, :word, :difference
    end
  end
end
