# frozen_string_literal: true

module Windlass
  module Forms
    # Who else coaches an athlete, from when, until when. Nobody is chosen beforehand.
    class CoachForm < Form
      class Rules < DaysContract
        params do
          required(:person).maybe(:integer)
        end

        rule(:person) { key.failure("nobody is chosen") unless value }
      end
      RULES = Rules

      # @param athlete [Records::Athlete]
      # @param today [Date]
      # @return [Hash] of a role
      def role(athlete, today) =
        {kind: "coach", athlete_id: athlete.id, from_on: values[:from_on] || today, until_on: values[:until_on]}
    end
  end
end
