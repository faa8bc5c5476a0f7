# frozen_string_literal: true

module Windlass
  module Forms
    # What was said on a phone without a network says how long ago that was, and of how many days before: the clock of
    # the phone may be wrong, and its days with it.
    class PieceForm < Form
      LONGEST_DAYS = 31
      DAYS_BACK = 31

      class Rules < Contract
        params do
          required(:ago_ms).filled(:integer)
          optional(:days_ago).maybe(:integer)
        end

        rule(:ago_ms).validate(within: 0..LONGEST_DAYS * 86_400_000)
        rule(:days_ago).validate(within: 0..DAYS_BACK)
      end
      RULES = Rules

      # @return [Time] when it was said
      def at(now) = now - values[:ago_ms] / 1000.0

      # @return [String] the day that it is of
      def day(now) = (at(now).to_date - values[:days_ago].to_i).iso8601
    end
  end
end
