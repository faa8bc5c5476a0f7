# frozen_string_literal: true

module Windlass
  module Progression
    # Whether a session may be done today, and how. Common practice, cautiously set; no published source.
    module Readiness
      # In reading order, strongest first. A rule is a file in this folder and a line here.
      ALL = [
        BlockScreening,
        BlockSuspended,
        BlockResting,
        BlockToday,
        BlockMovement,
        BlockWater,
        BlockCold,
        BlockBuddy,
        BlockCare,
        WaitStrenuous,
        WaitMaximal,
        WaitDay,
        LightControlPause,
        BackIllness,
        BackLayoff
      ].freeze

      # state: one of {STATES}. standing: where the session is done, nil for what has no ladder. dose: as it is to be
      # done.
      Ready =
        Value.define(:state, :reasons, :standing, :dose) do
          def go? = %i[yes light].include?(state)

          def light? = state == :light
        end

      # @param situation [Situation]
      # @return [Ready] the strongest state, the lowest rung of all that fired, every reason
      def self.of(situation)
        reasons =
          ALL.filter_map { |rule| rule.check(situation) }.sort_by.with_index { |one, index| [*one.place, index] }
        state = reasons.first&.state || :yes
        standing =
          [situation.standing, *reasons.map(&:standing)].compact.min_by.with_index do |one, index|
            [anew?(one, situation) ? -1 : one.rung, index]
          end
        Ready.new(state: state, reasons: reasons.freeze, standing: standing, dose: dose(standing, state))
      end

      # A standing on another ladder is one that begins anew.
      def self.anew?(standing, situation) =
        situation.standing && standing.ladder&.rungs != situation.standing.ladder&.rungs

      def self.dose(standing, state)
        dose = standing&.dose
        (dose && state == :light) ? standing.protocol.lightened(dose) : dose
      end
      private_class_method :anew?, :dose
    end
  end
end
