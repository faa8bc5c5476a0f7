# frozen_string_literal: true

module Windlass
  module Presenters
    # What the deck of one athlete knows of sensors: which there are, what a low reading does, whether a pair may be
    # simulated.
    class Sensing
      KINDS = {oximeter: "Finger oximeter", belt: "Heart belt"}.freeze
      # Said where a reading ends the holds.
      SAID = ["let go", "quiet breathing"].map { |words| Spoken::Clips.name(words) }.freeze

      # @param session [Records::Session]
      # @param laid [Boolean] it lies on a phone: no server plays for it
      def initialize(session, laid:)
        @session = session
        @laid = laid
      end

      # @return [Boolean]
      def simulated?
        return @simulated if defined?(@simulated)

        @simulated = Oximeters.play? && !@laid && Forecasts.objection(@session.athlete, on: @session.local_date).nil?
      end

      # @return [Integer] percent under which the holds end
      def limit = @limit ||= (@session.to_core.saturation_limit * 100).round

      # @return [Hash] for the deck's script
      def to_h = {simulated: simulated?, saturation_limit: limit, said_when_low: SAID}
    end
  end
end
