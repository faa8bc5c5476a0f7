# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      WaitMaximal =
        Rule.new(
          "wait.maximal",
          :wait,
          "today's is a maximal test and another was within 7 days",
          "until then",
          place: 20
        ) do |situation|
          maximal = situation.activity == MAXIMAL_TEST
          days =
            if maximal
              situation
                .history
                .select { |one| one.activity == MAXIMAL_TEST && situation.date - one.date < MAXIMAL_DAYS }
                .map(&:date)
            else
              []
            end
          days.any? &&
            {
              text: "The last maximal test was on #{Words.date(days.max)}.",
              **Readiness.not_before(days.max + MAXIMAL_DAYS)
            }
        end
    end
  end
end
