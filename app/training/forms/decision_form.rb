# frozen_string_literal: true

module Windlass
  module Forms
    # Accept or overrule. `seen` is the verdict that stood on the page: another one now is shown before it is decided.
    class DecisionForm < Form
      class Rules < Contract
        option :verdict

        params do
          required(:seen).filled(:string)
          required(:decided).filled(:string, included_in?: ["accept", *Progression::OVERRULABLE.map(&:to_s)])
          optional(:because).maybe(Types::Text)
        end

        rule(:seen) do
          key.failure("the verdict is now #{verdict}: look at it again before you decide") if value != verdict.to_s
        end
        rule(:because).validate(at_most_characters: 1000)
        rule(:decided, :because) do
          other = values[:decided] && !["accept", verdict.to_s].include?(values[:decided])
          key(:because).failure("is missing: say why you overrule") if other && values[:because].to_s.empty?
          key(:decided).failure("a stop is not overruled") if other && verdict == :stop
        end
      end
      RULES = Rules

      # @return [Symbol]
      def decided(verdict) = (values[:decided] == "accept") ? verdict : values[:decided].to_sym
    end
  end
end
