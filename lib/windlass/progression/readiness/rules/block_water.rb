# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      WATER_HOURS = 12

      # Over-breathing and water are kept apart both ways.
      BlockWater =
        Rule.new(
          "block.water",
          :block,
          "before water: over-breathing less than 12 hours ago or earlier the same day; after water: over-breathing " \
          "where water is planned in the next 12 hours",
          "not today",
          place: 60
        ) do |situation|
          if %i[water cold].include?(situation.activity.column)
            past, lift =
              situation.keeps_away(WATER_HOURS, not_same_day: true) do |one|
                one.washed_out? && (situation.hours_since(one) < WATER_HOURS || situation.today?(one))
              end
            past &&
              {
                text:
                  "#{past.washed_out_words} " \
                  "#{situation.today?(past) ? "today" : "less than #{WATER_HOURS} hours ago"}: no water, no cold " \
                  "immersion.",
                **lift
              }
          elsif situation.washing_out? && situation.answers.include?(TodaysQuestions::WATER)
            {
              text: "#{situation.washing_out_words} is kept away from water, and water is planned today.",
              lifts: "Until a day without water."
            }
          end
        end
    end
  end
end
