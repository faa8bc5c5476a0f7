# frozen_string_literal: true

module Windlass
  module Physiology
    # How long every hold of a session may be that ends by comfort and has no length of its own: so long that, were each
    # of them as long, the oxygen would stay above the planning floor throughout.
    module LongestSuspension
      LONGEST_S = 90

      # @param body [Body]
      # @yieldparam seconds [Integer] length of every hold
      # @yieldreturn [Array<Timeline::Segment>] the whole session
      # @return [Integer] whole seconds, 0..{LONGEST_S}
      def self.seconds(body)
        rested = Subject.rested(body)
        simulation =
          Simulation.new(rested, calibration: Calibration.from(rested, control_pause_s: nil), look_ahead: false)
        # Second by second: longer suspensions are fewer, so that one that is too long may be followed by one that is
        # not.
        too_long =
          (1..LONGEST_S).find do |seconds|
            simulation.run(yield(seconds)).holds.any? { |hold| hold.sao2_min < PLANNING_FLOOR }
          end
        (too_long || LONGEST_S + 1) - 1
      end
    end
  end
end
