# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatRamp =
        Rule.new(
          "repeat.ramp",
          :repeat,
          "clean and enough, but the coming week would hold over 1.3 times the weekly mean of the four weeks before",
          looks_at: :past,
          spoils: false,
          place: 110
        ) do |record|
          if record.clean? && record.enough? && record.ramps? && !record.patient_enough?
            "The coming week would hold #{Words.length(record.coming_week_s)}, over 1.3 times the weekly mean of " \
              "#{Words.length(record.weekly_mean_s)}. After 14 days of this there is room for a step."
          end
        end
    end
  end
end
