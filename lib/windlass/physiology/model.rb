# frozen_string_literal: true

module Windlass
  module Physiology
    # The front door: a body and a control pause once, then as many sessions as one likes. Settling the body and reading
    # the threshold take longer than most sessions; both are done once.
    class Model
      attr_reader :body, :calibration, :rested

      # @param body [Body]
      # @param control_pause_s [Numeric, nil] nil: neither urge nor margin
      # @param full_threshold [Float, nil] second threshold for holds on full lungs
      # @param floor [Float] planning floor of saturation, 0.85-0.92
      # @param oximeter_logged [Boolean] an oximeter low settles what the model doubts
      def initialize(body, control_pause_s: nil, full_threshold: nil, floor: PLANNING_FLOOR, oximeter_logged: false)
        @body = body
        @floor = floor
        @rested = Subject.rested(body)
        @calibration =
          Calibration.from(
            seated,
            control_pause_s: control_pause_s,
            full_threshold: full_threshold,
            oximeter_logged: oximeter_logged
          )
        freeze
      end

      # @param segments [Enumerable<Timeline::Segment>]
      # @param trace [Boolean]
      # @param before [Enumerable<Timeline::Segment>] what came before
      # @return [Forecast]
      def forecast(segments, trace: false, before: [])
        Simulation.new(rested, calibration: calibration, floor: @floor).run(segments, trace: trace, before: before)
      end

      private

      # A control pause is taken seated and without thrift; often that is this very body.
      def seated
        plain = Calibration.body_for(body)
        (plain == body) ? rested : Subject.rested(plain)
      end
    end
  end
end
