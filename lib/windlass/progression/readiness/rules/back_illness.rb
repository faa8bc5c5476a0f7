# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      FREE_DAYS = 3
      ILLNESS_RUNGS = 2

      BackIllness =
        Rule.new(
          "back.illness",
          :yes,
          "ill, or ill since the last session of this protocol",
          "three days free of symptoms first; then two rungs lower; nothing strenuous for 7 days (chest illness 14)"
        ) do |situation|
          illness = situation.illness
          next if illness.nil? || !situation.holds?

          free_on = illness.last_day + FREE_DAYS + 1
          calm_on = illness.last_day + CALM_DAYS.fetch(illness.chest) + 1
          ready_on = situation.activity.strenuous? ? [free_on, calm_on].max : free_on
          since =
            situation.newest do |one|
              one.counts? && one.date <= situation.date && one.protocol == situation.activity.id
            end
          lower = situation.standing&.lowered(ILLNESS_RUNGS) if since.nil? || since.date <= illness.last_day
          if situation.date < ready_on
            wanted = (situation.date < free_on) ? "three days free of symptoms first" : "nothing strenuous yet"
            {
              state: :wait,
              text: "Ill until #{Words.date(illness.last_day)}: #{wanted}.",
              **Readiness.not_before(ready_on),
              standing: lower
            }
          elsif lower
            {
              text: "Ill since the last session of this: start lower.",
              lifts: "Until a session of it is done.",
              standing: lower
            }
          end
        end
    end
  end
end
