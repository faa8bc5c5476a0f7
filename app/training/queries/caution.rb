# frozen_string_literal: true

module Windlass
  module Queries
    # Refusing is for what is to come. What was done is written down whatever readiness would have said, with its
    # caution: it counts in walls, load and stops, and toward no step, baseline or measure.
    module Caution
      # Who was beside, and what was on, nobody is asked of the past.
      NOT_ASKED = %w[block.buddy block.care].freeze

      # @param activity [Protocols::Protocol, Progression::Activity]
      # @param at [Time] when it was done
      # @param standing [Progression::Standing, nil]
      # @return [String] what would have been said against it; empty where nothing would
      def self.of(athlete, activity, at:, standing: nil)
        situation = Situations.of([athlete], now: at).of(athlete.id, activity, standing: standing)
        Progression::Readiness
          .of(situation)
          .reasons
          .reject { |reason| reason.go? || NOT_ASKED.include?(reason.rule) }
          .map(&:text)
          .join(" ")
      end
    end
  end
end
