# frozen_string_literal: true

module Windlass
  module Forms
    # Today's questions: what of them is so, and who watches.
    class DayForm < Form
      class Rules < Contract
        params do
          optional(:answers).array(:string, included_in?: Progression::TodaysQuestions::ALL.keys.map(&:to_s))
          optional(:chest).maybe(:bool)
          optional(:watcher).maybe(Types::Text)
          optional(:oximeter).maybe(:bool)
          optional(:feeling).maybe(:integer)
          optional(:slept_h).maybe(Types::Number)
        end

        rule(:feeling).validate(within: 1..5)
        rule(:slept_h).validate(within: 0..24)

        rule(:watcher).validate(at_most_characters: 80)
      end
      RULES = Rules
    end
  end
end
