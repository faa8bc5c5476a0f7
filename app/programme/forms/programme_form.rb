# frozen_string_literal: true

module Windlass
  module Forms
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
