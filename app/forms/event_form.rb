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
          key.failure("“#{value}” is no time of day; one is written 07:00") if value && WeekTime.minutes(value).nil?
        end
      end
      RULES = Rules

      # @return [Hash]
      def columns =
        values.slice(:local_date, :kind).merge(name: values[:name].to_s, at_min: WeekTime.minutes(values[:at]))
    end

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
    end

    # How many weeks, from when, and how often what.
    class ProgrammeForm < Form
      class Rules < Contract
        option :today

        params do
          required(:starts_on).filled(:date)
          required(:weeks).filled(:integer)
          optional(:easy_every).maybe(:integer)
        end

        rule(:weeks).validate(within: Programme::WEEKS)
        rule(:easy_every).validate(within: 3..6)
        rule(:starts_on) { (fault = outside(value, today..(today + 60))) && key.failure(fault) }
      end
      RULES = Rules
      TIMES = (0..7)

      # @return [Hash{String => Integer}] times a week, by what they were given for
      def times
        given = typed_at(:times)
        return {} unless given.is_a?(Hash)

        given.transform_values do |count|
          Integer(count.to_s, 10, exception: false).then { |whole| (whole && TIMES.cover?(whole)) ? whole : 0 }
        end
      end
    end
  end
end
