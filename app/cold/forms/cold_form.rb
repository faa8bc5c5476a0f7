# frozen_string_literal: true

module Windlass
  module Forms
    # One time in the cold: stage, minutes, calm or not, why out, who was there.
    class ColdForm < Form
      DAYS_BACK = 30

      class Rules < TakenContract
        params do
          required(:stage).filled(:integer)
          required(:minutes).filled(Types::Number)
          required(:calm).filled(:bool)
          required(:why_out).filled(:string, included_in?: Cold::WHY_OUT.keys)
          optional(:watcher).maybe(Types::Text)
        end

        rule(:stage).validate(within: 1..Cold::STAGES.size)
        rule(:minutes).validate(within: Cold::MINUTES)
        rule(:watcher).validate(at_most_characters: 80)
        at_most_back(DAYS_BACK)
      end
      RULES = Rules
    end
  end
end
