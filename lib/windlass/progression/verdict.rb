# frozen_string_literal: true

module Windlass
  module Progression
    # A judged session: the strongest verdict, every reason that fired, and where it leads.
    # target is nil where quiet breathing and a new measure come next.
    # resting_until: the first day after a rest.
    Verdict =
      Value.define(:verdict, :clean, :reasons, :from, :target, :resting_until) do
        def stop? = verdict == :stop

        # @return [Boolean] a clean repeat or a step, with nothing to mind
        def plain? =
          clean && %i[repeat advance].include?(verdict) && reasons.all? { |reason| PLAIN_RULES.include?(reason.rule) }
      end
  end
end
