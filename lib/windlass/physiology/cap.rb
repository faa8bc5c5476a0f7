# frozen_string_literal: true

module Windlass
  module Physiology
    # The longest that an empty hold after over-breathing may last: a limit, never a target. Computed for the harder
    # case, whatever the athlete's own: lying, breathed out to residual, and without credit for thrift.
    module Cap
      SHARE = 0.9
      LONGEST_S = 90.0

      # @param body [Body]
      # @param before [Array<Timeline::Segment>] what comes before the hold, the breath out included
      # @param exhales_passively [Boolean] the coach has confirmed that this athlete does not empty further
      # @return [Float] seconds
      def self.seconds(body, before, exhales_passively: false)
        lying = body.with(posture: :lying, thrift: [body.thrift, 1.0].max)
        rested = Subject.rested(lying)
        simulation = Simulation.new(rested, calibration: Calibration.from(rested, control_pause_s: nil))
        hold = simulation.run([*emptied(before, exhales_passively), Timeline::Segment.new(kind: :hold, ms: 1)]).holds.last
        [SHARE * (hold.floor_s || LONGEST_S), LONGEST_S].min
      end

      def self.emptied(before, exhales_passively)
        *earlier, last = before
        return before unless last&.kind == :exhale

        [*earlier, last.with(to: exhales_passively ? :passive : :residual, depth: nil)]
      end
      private_class_method :emptied
    end
  end
end
