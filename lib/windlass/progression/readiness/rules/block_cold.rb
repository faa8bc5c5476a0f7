# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      COLD_HOURS = 1

      BlockCold =
        Rule.new(
          "block.cold",
          :block,
          "cold and breath holding less than an hour apart",
          "until the hour is over",
          place: 70
        ) do |situation|
          cold = situation.activity.column == :cold
          next unless cold || situation.holds?

          past, lift =
            situation.keeps_away(COLD_HOURS) do |one|
              one.ran? && ((one.activity.column == :cold) != cold) && (cold ? one.activity.holds? : true) &&
                situation.hours_since(one) < COLD_HOURS
            end
          since = (situation.now && past&.ended_at.nil?) ? "at an hour that is not known" : "less than an hour ago"
          past && {text: "#{past.activity.name} #{since}: cold and holds are never combined.", **lift}
        end
    end
  end
end
