# frozen_string_literal: true

module Windlass
  # Where readings come from. A device would be joined here: whatever answers one reading a second will do.
  module Oximeters
    CHUNK_S = 30

    # @param session [Records::Session]
    # @param from_s [Integer] seconds of the plan to begin at
    # @return [Array<Physiology::SimulatedOximeter::Reading>] one a second, of the next {CHUNK_S} seconds
    # @raise [Error] where the model has nothing to say
    def self.readings(session, from_s:)
      timeline = session.to_timeline
      forecast = session.forecast_of_plan
      raise Error, Forecasts.objection(session.athlete, on: session.local_date) if forecast.nil?

      Physiology::SimulatedOximeter
        .new(timeline, forecast.trace, random: Random.new(session.id), resting_pulse: session.athlete.resting_pulse)
        .readings
        .drop(from_s.clamp(0, timeline.total_ms / 1000 + 1))
        .first(CHUNK_S)
    end
  end
end
