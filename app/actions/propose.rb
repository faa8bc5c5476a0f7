# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps the judge's word on a day that changed, and on the later ones that nobody has decided yet: their past is
    # another now.
    module Propose
      # @param session [Records::Session] any set of the day
      def self.call(session)
        sets = Records::Session.run.where(athlete_id: session.athlete_id, local_date: session.local_date..).undecided.in_order
        sets.group_by { |set| [set.prescription_id, set.local_date] }.each_value { |of_day| propose(of_day.last) }
      end

      def self.propose(session)
        verdict = JudgeDay.call(session)
        session.update_columns(proposed_verdict: verdict&.verdict, proposed_reason: verdict&.reasons&.first&.text)
      end
      private_class_method :propose
    end
  end
end
