# frozen_string_literal: true

module Windlass
  module Forms
    # What somebody did without their phone: which, on what day, when.
    class DoneForm < Form
      TIME_OF_DAY = /\A([01]\d|2[0-3]):[0-5]\d\z/

      class Rules < Contract
        option :today

        params do
          required(:training).filled(:integer)
          required(:on).filled(:date)
          required(:at).filled(Types::Text)
        end

        rule(:on).validate(lately: 7)
        rule(:at) do
          key.failure("#{value} is no time of day; allowed: 00:00 to 23:59") unless TIME_OF_DAY.match?(value)
        end
      end
      RULES = Rules

      # @return [String] as it is written in one line of the log
      def moment = "#{values[:on].iso8601} @#{values[:at]}"
    end
  end
end
