# frozen_string_literal: true

module Windlass
  # The simulated pair of sensors: an oximeter and a heart belt that play what the gas model says of a session, in the
  # bytes that real ones send. What they say is written down like any reading, so they play in the demo only.
  module Oximeters
    CHUNK_S = 30

    # @return [Boolean] they may play
    def self.play? = Security.on?("WINDLASS_DEMO")

    # @param session [Records::Session]
    # @param from_s [Integer] seconds of the plan to begin at
    # @return [Array<Hash>] one a second, of the next {CHUNK_S} seconds: `t`, and what each sends, as hexadecimal bytes
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
        .then { |readings| sent(readings) }
    end

    # A second holds the beats that end in it.
    def self.sent(readings)
      rest_s = 0.0
      readings.map do |reading|
        beat_s = 60.0 / reading.pulse
        rest_s += 1
        beats = (rest_s / beat_s).floor
        rest_s -= beats * beat_s
        {
          t: reading.t,
          oximeter: hex(Formats::SensorBytes.oximeter(reading.saturation, reading.pulse)),
          belt: hex(Formats::SensorBytes.belt(reading.pulse, [beat_s] * beats))
        }
      end
    end

    def self.hex(bytes) = bytes.unpack1("H*")
    private_class_method :sent, :hex
  end
end
