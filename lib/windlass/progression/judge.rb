# frozen_string_literal: true

module Windlass
  module Progression
    # Judges one session among those before it.
    module Judge
      # @param session [Session]
      # @param history [Enumerable<Session>]
      # @param standing [Standing]
      # @param mornings [Measures::MorningSeries, nil] of the six weeks before
      # @return [Verdict]
      def self.judge(session, history:, standing:, mornings: nil)
        record = Record.new(session, history, standing, mornings)
        reasons = reasons(record)
        strongest = reasons.map(&:verdict).min_by { |verdict| VERDICTS.index(verdict) }
        Verdict.new(
          verdict: strongest,
          clean: record.clean?,
          reasons: reasons.freeze,
          from: standing,
          target: NextDose.target(strongest, standing, record.evidence),
          resting_until: (NextDose.rested_on(session.date) if strongest == :rest)
        )
      end

      # A false start never eases: a hold cut short within the first round is no failure of the dose.
      def self.reasons(record)
        fired = Rules::ALL.filter_map { |rule| rule.check(record) }
        record.session.false_start? ? fired.reject { |reason| reason.verdict == :ease } : fired
      end
      private_class_method :reasons
    end
  end
end
