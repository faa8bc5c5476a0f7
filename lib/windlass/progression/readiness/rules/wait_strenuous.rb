# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      WaitStrenuous =
        Rule.new(
          "wait.strenuous",
          :wait,
          "today's session is strenuous and another strenuous one ended less than 48 hours ago; loaded holds of 20 " \
          "s and 30 % of the maximal hold " \
            "at most, with three breaths, may follow their own kind while its first breaths were smooth",
          "until then",
          place: 10
        ) do |situation|
          next unless situation.activity.strenuous?

          past, lift =
            situation.keeps_away(STRENUOUS_HOURS) do |one|
              one.counts? && one.strenuous? && situation.hours_since(one) < STRENUOUS_HOURS &&
                !situation.after_work?(one)
            end
          past && {text: "#{past.activity.name} was less than #{STRENUOUS_HOURS} hours ago.", **lift}
        end
    end
  end
end
