# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps the judge's word on a day that changed, and on the later ones: their past is another now. Of days that are
    # decided only a difference is kept; the coach takes it up or lets it be.
    module Propose
      # @param session [Records::Session] any set of the day
      def self.call(session)
        sets = Records::Session.run.where(athlete_id: session.athlete_id, local_date: session.local_date..).undecided.in_order
        sets.group_by { |set| [set.prescription_id, set.local_date] }.each_value { |of_day| propose(of_day.last) }
        decided(session).each { |move| compare(move) }
      end

      def self.decided(session)
        Records::Move.kept.joins(:session).where(sessions: {athlete_id: session.athlete_id}, local_date: session.local_date..)
      end

      def self.compare(move)
        verdict = JudgeDay.call(Records::Session.run.where(prescription_id: move.prescription_id, local_date: move.local_date).in_order.last)
        differs = verdict && verdict.verdict != move.verdict.to_sym
        move.update_columns(verdict_now: differs ? verdict.verdict : nil, reason_now: differs ? verdict.reasons.first.text : nil)
      end

      def self.propose(session)
        verdict = JudgeDay.call(session)
        session.update_columns(proposed_verdict: verdict&.verdict, proposed_reason: verdict&.reasons&.first&.text)
      end
      private_class_method :propose, :decided, :compare
    end
  end
end
