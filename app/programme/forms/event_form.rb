# frozen_string_literal: true

module Windlass
  module Forms
    # What is eased toward, or a day in the water.
    class EventForm < Form
      class Rules < Contract
        option :today

        params do
          required(:local_date).filled(:date)
          required(:kind).filled(:string, included_in?: Records::Event::KINDS.keys)
          optional(:at).maybe(Types::Text)
          optional(:name).maybe(Types::Text)
        end

        rule(:name).validate(at_most_characters: 60)
        rule(:local_date) { (fault = outside(value, today..(today + 400))) && key.failure(fault) }
        rule(:at) do
          key.failure("“#{value}” is no time of day; write 07:00") if value && WeekTime.minutes(value).nil?
        end
      end
      RULES = Rules

      # @return [Hash]
      def columns =
        values.slice(:local_date, :kind).merge(name: values[:name].to_s, at_min: WeekTime.minutes(values[:at]))
    end
  end
end
