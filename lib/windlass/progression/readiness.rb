# frozen_string_literal: true

module Windlass
  module Progression
    # Whether a session may be done today, and how. Common practice, cautiously set; no published source.
    module Readiness
      # Strongest first. :yes may still mean a lower rung.
      STATES = %i[block wait light yes].freeze

      CALM_DAYS = {false => 7, true => 14}.freeze

      LAYOFF_ANEW_DAYS = 42

      # What is asked of a morning series before it can call for a light day.
      LIGHT_DAYS = 14

      MAXIMAL_DAYS = 7

      STRENUOUS_HOURS = 48

      OPENS = [:never, Numeric, nil].freeze
      private_constant :OPENS

      # When this alone no longer binds: whatever else may.
      # @param at [Date, Time]
      # @param offset_s [Integer] seconds by which the place's clock is ahead
      # @return [Hash] of a {Reason}
      def self.not_before(at, offset_s = 0)
        if at.is_a?(Date)
          return {lifts: "Not before #{Words.date(at)}.", opens: (at.jd - UNIX_JD) * 86_400 - offset_s}
        end

        {lifts: "Not before #{Words.moment(at).delete_prefix("on ")}.", opens: at.to_f}
      end
      UNIX_JD = Date.new(1970, 1, 1).jd
      private_constant :UNIX_JD

      # Strongest first, then by place, then by name. A rule is a file in readiness/rules, and nothing else.
      ALL =
        Listed.in("progression/readiness/rules", Rule)
          .sort_by { |rule| [STATES.index(rule.state), rule.place, rule.id] }.freeze

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
