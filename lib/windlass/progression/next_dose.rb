# frozen_string_literal: true

module Windlass
  module Progression
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
