# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # Days away, and the rungs that they cost; the longest begins anew.
      LAYOFF_RUNGS = {10 => 1, 21 => 2}.freeze
      LAYOFF_SHARE = 0.8

      BackLayoff =
        Rule.new(
          "back.layoff",
          :yes,
          "more than 10, 21 or 42 days since the last session of this protocol",
          "one rung lower; two; rung 0 of a ladder from 0.8 of the old measure, and a new measure after two clean " \
          "sessions"
        ) do |situation|
          past =
            situation.newest do |one|
              one.counts? && one.date <= situation.date && one.protocol == situation.activity.id
            end
          next if past.nil? || situation.standing.nil?

          days = (situation.date - past.date).to_i
          rungs = LAYOFF_RUNGS.select { |longer_than, _| days > longer_than }.values.last
          next if rungs.nil?

          text = "#{days} days since the last session of this."
          if days > LAYOFF_ANEW_DAYS
            {
              text: "#{text} From the lowest rung of a smaller ladder; measure anew after two clean sessions.",
              lifts: "Until a session is done.",
              standing: situation.begun_anew(LAYOFF_SHARE)
            }
          else
            {
              text: "#{text} #{(rungs == 1) ? "One rung" : "Two rungs"} lower.",
              lifts: "Until a session is done.",
              standing: situation.standing.lowered(rungs)
            }
          end
        end
    end
  end
end
