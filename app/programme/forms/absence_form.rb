# frozen_string_literal: true

module Windlass
  module Forms
    # Days on which somebody does not train.
    class AbsenceForm < Form
      class Rules < Contract
        option :today

        params do
          required(:from_on).filled(:date)
          required(:to_on).filled(:date)
          optional(:because).maybe(Types::Text)
        end

        rule(:because).validate(at_most_characters: 80)
        rule(:from_on) { (fault = outside(value, (today - 30)..(today + 400))) && key.failure(fault) }
        rule(:from_on, :to_on) do
          unless (values[:from_on]..values[:from_on] + 366).cover?(values[:to_on])
            key(:to_on).failure(
              "#{values[:to_on]} is not allowed; allowed: #{values[:from_on]} or later, for up to a year"
            )
          end
        end
      end
      RULES = Rules

      # @return [Hash] of an absence
      def columns = {because: values[:because].to_s, **values.slice(:from_on, :to_on)}
    end
  end
end
