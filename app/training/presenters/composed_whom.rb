# frozen_string_literal: true

module Windlass
  module Presenters
    # For whom a dose is worked out while it is composed: an athlete, or an average adult.
    class ComposedWhom
      # @param athlete [Records::Athlete, nil]
      # @param protocol [Protocols::Protocol]
      # @param today [Date]
      def initialize(athlete, protocol, today)
        @athlete = athlete
        @protocol = protocol
        @today = today
      end

      def name = @athlete ? @athlete.name : "nobody: worked out for #{Nobody::WORDS}"

      def measures = @measures ||= @athlete ? @athlete.to_values : Nobody::MEASURES

      def body
        @body ||= @athlete ? @athlete.to_body(on: @today, posture: posture) : Nobody::BODY.with(posture: posture)
      end

      # @return [Physiology::Forecast, nil]
      def forecast(timeline) = model&.forecast(timeline.segments, trace: true, before: timeline.before)

      # @return [String, nil] why the model says nothing of them
      def objection = (Forecasts.objection(@athlete, on: @today) if @athlete)

      private

      def posture = @protocol.posture

      def model
        return Forecasts.model(@athlete, on: @today, posture: posture) if @athlete

        Physiology::Model.new(body, control_pause_s: Nobody::MEASURES.control_pause_s)
      end
    end
  end
end
