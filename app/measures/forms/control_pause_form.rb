# frozen_string_literal: true

module Windlass
  module Forms
    class ControlPauseForm < Form
      SECONDS = (0.5..300.0)
      # Scores from a notebook may be this old.
      DAYS_BACK = 365

      class Rules < TakenContract
        params do
          required(:seconds).filled(Types::Seconds)
          required(:ended_by).filled(:string, included_in?: Measures::ENDINGS.keys.map(&:to_s))
          required(:first_breath).filled(:string, included_in?: Measures::FIRST_BREATHS.keys.map(&:to_s))
          required(:on_waking).filled(:bool)
        end

        rule(:seconds).validate(within: SECONDS)
        at_most_back(DAYS_BACK)
      end
      RULES = Rules
    end
  end
end
