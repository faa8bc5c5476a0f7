# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      FREE_DAYS = 3
      ILLNESS_RUNGS = 2
      CALM_DAYS = {false => 7, true => 14}.freeze

      BackIllness = Rule.new("back.illness", :yes,
        "ill since the last session", "three days free of symptoms first; then two rungs lower; nothing strenuous for 7 days (chest illness 14)") do |situation|
        illness = situation.illness
        next if illness.nil? || !situation.holds? || illness.last_day >= situation.date

        free_on = illness.last_day + FREE_DAYS + 1
        calm_on = illness.last_day + CALM_DAYS.fetch(illness.chest) + 1
        since = situation.newest(&:begun?)
        if situation.date < free_on
          {state: :wait, text: "Ill until #{Words.date(illness.last_day)}: three days free of symptoms first.", lifts: "Ready on #{Words.date(free_on)}."}
        elsif situation.activity.strenuous? && situation.date < calm_on
          {state: :wait, text: "Ill until #{Words.date(illness.last_day)}: nothing strenuous yet.", lifts: "Ready on #{Words.date(calm_on)}."}
        elsif situation.standing && (since.nil? || since.date <= illness.last_day)
          {text: "Ill since the last session: start lower.", lifts: "Until a session is done.", standing: situation.standing.lowered(ILLNESS_RUNGS)}
        end
      end
    end
  end
end
