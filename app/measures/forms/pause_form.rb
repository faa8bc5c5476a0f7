# frozen_string_literal: true

module Windlass
  module Forms
    # Until when a measure is paused.
    class PauseForm < Form
      DAYS_AHEAD = 366

      class Rules < Contract
        option :today

        params { required(:until_on).filled(:date) }

        rule(:until_on) { outside(value, (today + 1)..(today + DAYS_AHEAD))&.then { |fault| key.failure(fault) } }
      end
      RULES = Rules
    end
  end
end
