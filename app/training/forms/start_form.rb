# frozen_string_literal: true

module Windlass
  module Forms
    # A rung to begin on, and why. Rungs are counted from 1, as a coach does.
    class StartForm < Form
      class Rules < Contract
        params do
          required(:rung).filled(:integer)
          required(:because).filled(Types::Text)
        end

        rule(:rung).validate(within: 1..Protocols::Protocol::MOST_RUNGS)
        rule(:because).validate(at_most_characters: 300)
      end
      RULES = Rules
    end
  end
end
