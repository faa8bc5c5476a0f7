# frozen_string_literal: true

module Windlass
  module Queries
    # What a coach would look at before it is done: asked of whoever decides about themselves.
    module CoachLooks
      CARE =
        "The hold comes near the floor of the oxygen: somebody has to be beside, and see you, with the oximeter on."

      # @param verdict [Progression::Verdict]
      # @param decided [Symbol]
      # @return [Array<String>]
      def self.at_decision(verdict, decided)
        order = Progression::VERDICTS
        against = order.index(decided) > order.index(verdict.verdict)
        said = against ? verdict.reasons.select { |reason| reason.verdict == verdict.verdict } : []
        [
          *("The rule says “#{verdict.verdict}”, and you decide “#{decided}”." if against),
          *said.map(&:text), *(CARE if leads_to_care?(verdict, decided))
        ]
      end

      # @param standing [Progression::Standing, nil]
      # @return [Array<String>]
      def self.at_start(standing) = (standing && care?(standing)) ? [CARE] : []

      # @param standing [Progression::Standing, nil] above the lowest rung
      # @return [Array<String>]
      def self.at_higher(standing) =
        ["A start above the lowest rung passes by what the rungs below would show.", *at_start(standing)]

      # @param suspension [Records::Suspension]
      # @return [Array<String>]
      def self.at_clearance(suspension) =
        ["A stop stands: #{suspension.reason}", "A clinician alone lifts it, and is named."]

      def self.leads_to_care?(verdict, decided) =
        %i[repeat advance].include?(decided) && [verdict.from, verdict.target].compact.any? { |one| care?(one) }

      def self.care?(standing) = standing.ladder.care?(standing.rung)
      private_class_method :leads_to_care?, :care?
    end
  end
end
