# frozen_string_literal: true

module Windlass
  module Forms
    # What somebody felt, how strong, on which day.
    class FeltForm < Form
      class Rules < Contract
        option :today

        params do
          required(:uuid).filled(:string, format?: Records::Columns::UUID)
          required(:symptom).filled(:string, included_in?: Progression::Symptoms::ALL.keys.map(&:to_s))
          required(:strength).filled(:integer, included_in?: Progression::Symptoms::STRENGTHS.keys)
          required(:felt_on).filled(:date)
          optional(:note).maybe(Types::Text)
        end

        rule(:felt_on).validate(lately: 7)
        rule(:note).validate(at_most_characters: 1000)
      end
      RULES = Rules

      # @return [Boolean] no hold work after it
      def stops? = Progression::Symptoms::STOPS.key?(values[:symptom].to_sym)
    end
  end
end
