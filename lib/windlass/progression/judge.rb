# frozen_string_literal: true

module Windlass
  module Progression
    # A judged session: the strongest verdict, every reason that fired, and where it leads.
    # target is nil where quiet breathing and a new measure come next.
    # resting_until: the first day after a rest.
    # With these reasons alone there is nothing to think about.
    PLAIN_RULES = %w[repeat.count repeat.ramp advance.clean].freeze

    Verdict =
      Value.define(:verdict, :clean, :reasons, :from, :target, :resting_until) do
        def stop? = verdict == :stop

        # @return [Boolean] a clean repeat or a step, with nothing to mind
        def plain? =
          clean && %i[repeat advance].include?(verdict) && reasons.all? { |reason| PLAIN_RULES.include?(reason.rule) }
      end

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

    # One tooth up, none, or down: where a verdict leads.
    module NextDose
      # A rest takes so many days, and goes so many rungs down.
      REST_DAYS = 7
      REST_RUNGS = 2

      # @return [Date] the first day after a rest
      def self.rested_on(date) = date + REST_DAYS

      # @return [Standing, nil] nil: quiet breathing, and a new measure
      def self.target(verdict, standing, evidence = nil)
        case verdict
        when :stop
          standing.at(0)
        when :rest
          rested(standing, evidence)
        when :ease
          eased(standing, evidence)
        when :advance
          standing.at(standing.rung + (standing.reduced ? 0 : 1))
        else
          standing
        end
      end

      # After gasps or short holds the hold itself has to be shorter, if any rung below has a shorter one.
      def self.eased(standing, evidence)
        return if standing.reduced
        return (standing.halved if standing.halvable?) if standing.rung.zero?

        too_long = evidence&.too_long
        standing.at((too_long && standing.ladder.shorter_hold_below(standing.rung, too_long)) || standing.rung - 1)
      end

      # A rest never leads to more than an ease would.
      def self.rested(standing, evidence)
        eased = eased(standing, evidence) or return
        [standing.lowered(REST_RUNGS), eased].min_by { |one| [one.rung, one.reduced ? 0 : 1] }
      end
      private_class_method :eased, :rested
    end
  end
end
