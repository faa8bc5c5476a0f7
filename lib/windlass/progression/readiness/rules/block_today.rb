# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # What stays open where the chest is tight: {Protocols.always_open}, with nothing narrowed.
      RELIEVER =
        "Wheezy or tight in the chest: the reliever first, then quiet breathing with nothing narrowed. Worse, or no " \
        "relief: the emergency card."

      BlockToday =
        Rule.new(
          "block.today",
          :block,
          "unwell, wheezy, injured, alcohol, sedatives, no food for 16 hours or faint",
          "quiet breathing only; wheezy: with nothing narrowed, the reliever first",
          place: 40
        ) do |situation|
          said = TodaysQuestions::BARRING.slice(*situation.answers).values
          wheezy = situation.answers.include?(:wheezy)
          calm = situation.activity == Protocols.always_open && !situation.activity.narrowed?(situation.dose)
          if situation.holds? || situation.activity.column == :cold || (wheezy && !calm)
            {text: "Today: #{Words.list(said)}.", lifts: "Until a day without it."} if said.any?
          elsif wheezy
            {state: :yes, text: RELIEVER}
          end
        end
    end
  end
end
