# frozen_string_literal: true

module Windlass
  # Asks the gas model about an athlete. What the model has to know of a person is put together here and nowhere else.
  module Forecasts
    # What ladders asked the model once, by body: the same for the same dose.
    BODIES = Kept.new(1_000)

    # @param athlete [Records::Athlete]
    # @return [String, nil] why there is no forecast for this athlete
    def self.objection(athlete, on:)
      known = athlete.to_screen(on: on).conditions
      Physiology::ModelRange.objection(age: athlete.age_on(on), pregnant: known.include?(:pregnancy), lung_disease: known.include?(:lung_disease))
    end

    # @param timeline [Timeline::Compiled]
    # @param on [Date]
    # @return [Physiology::Forecast, nil] nil where the model has nothing to say
    def self.of(athlete, timeline, on:, posture: :seated, trace: true)
      model(athlete, on: on, posture: posture)&.forecast(timeline.segments, trace: trace, before: timeline.before)
    end

    # @return [Physiology::Model, nil]
    def self.model(athlete, on:, posture: :seated, floor: Physiology::PLANNING_FLOOR)
      return if objection(athlete, on: on)

      Physiology::Model.new(athlete.to_body(on: on, posture: posture), floor: floor,
        control_pause_s: athlete.to_values.control_pause_s, full_threshold: athlete.full_threshold,
        oximeter_logged: athlete.oximeter_logged)
    end

    # @param values [Measures::Values]
    # @return [Progression::Outlook, nil] what bounds this athlete's ladders
    def self.outlook(athlete, on:, values: athlete.to_values)
      return if objection(athlete, on: on)

      body = athlete.to_body(on: on)
      Progression::Outlook.new(body, shown_s: Progression::Outlook.shown_s(values, on), control_pause_s: values.control_pause_s, memo: BODIES.fetch(body) { {} })
    end
  end
end
