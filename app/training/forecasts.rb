# frozen_string_literal: true

module Windlass
  # Asks the gas model about an athlete. What the model has to know of a person is put together here and nowhere else.
  module Forecasts
    # What ladders asked the model once, by body: the same for the same dose.
    BODIES = BoundedCache.new(1_000)

    # What was drawn lately: a deck that is loaded again, a sheet while it is rated, forecasts the same plan of the same
    # body.
    PLANS = BoundedCache.new(60)

    # @param athlete [Records::Athlete]
    # @return [String, nil] why there is no forecast for this athlete
    def self.objection(athlete, on:)
      known = athlete.to_screen(on: on).conditions
      Physiology::ModelRange.objection(
        age: athlete.age_on(on),
        pregnant: known.include?(:pregnancy),
        lung_disease: known.include?(:lung_disease)
      )
    end

    # @param timeline [Timeline::Compiled]
    # @param on [Date]
    # @return [Physiology::Forecast, nil] nil where the model has nothing to say
    def self.of(athlete, timeline, on:, posture: :seated, trace: true)
      known = given(athlete, on: on, posture: posture) or return
      PLANS.fetch([known, timeline.segments, timeline.before, trace]) do
        Physiology::Model.new(known.body, **known.of_urge).forecast(
          timeline.segments,
          trace: trace,
          before: timeline.before
        )
      end
    end

    # @return [Physiology::Model, nil]
    def self.model(athlete, on:, posture: :seated, floor: Physiology::PLANNING_FLOOR)
      given(athlete, on: on, posture: posture)&.then do |known|
        Physiology::Model.new(known.body, floor: floor, **known.of_urge)
      end
    end

    # All that the model has to know of a person.
    Known =
      Value.define(:body, :control_pause_s, :full_threshold, :oximeter_logged) { def of_urge = to_h.except(:body) }

    # @return [Known, nil] nil where the model has nothing to say
    def self.given(athlete, on:, posture:)
      return if objection(athlete, on: on)

      Known.new(
        body: athlete.to_body(on: on, posture: posture),
        control_pause_s: athlete.to_values.control_pause_s,
        full_threshold: athlete.full_threshold,
        oximeter_logged: athlete.oximeter_logged
      )
    end
    private_class_method :given

    # @param values [Measures::Values]
    # @return [Progression::Outlook, nil] what bounds this athlete's ladders
    def self.outlook(athlete, on:, values: athlete.to_values)
      return if objection(athlete, on: on)

      body = athlete.to_body(on: on)
      Progression::Outlook.new(
        body,
        shown_s: Progression::Outlook.shown_s(values, on),
        control_pause_s: values.control_pause_s,
        memo: BODIES.fetch(body) { {} }
      )
    end
  end
end
