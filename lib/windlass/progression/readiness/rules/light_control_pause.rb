# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      LIGHT_SCORES = 5

      LightControlPause =
        Rule.new(
          "light.control_pause",
          :light,
          "the newest valid morning control pause (today's or yesterday's) at or under 75 % of the median of the 14 " \
          "days before it " \
            "(five scores or more) and at least 3 s lower; not paused, no fall expected",
          "light day: holds × 0.8, two thirds of the rounds, nothing strenuous"
        ) do |situation|
          newest = situation.mornings.within(situation.date - 1, situation.date).last
          before =
            newest &&
            situation
              .mornings
              .within(newest.taken_at.to_date - LIGHT_DAYS, newest.taken_at.to_date - 1)
              .map(&:seconds)
          if newest.nil? || before.size < LIGHT_SCORES || situation.context&.use == :paused ||
              situation.context&.sleep_signs || !situation.holds?
            next
          end

          median = Trends.median(before)
          next unless Measures.dropped?(newest.seconds, median)

          text =
            "Morning control pause #{Words.seconds(newest.seconds)}, usually #{Words.seconds(median)}: a light day."
          if situation.activity.strenuous?
            {state: :wait, text: "#{text} Nothing strenuous.", lifts: "Until a morning score is as usual again."}
          else
            {text: text, lifts: "Until a morning score is as usual again."}
          end
        end
    end
  end
end
