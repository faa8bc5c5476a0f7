# frozen_string_literal: true

module Windlass
  module Physiology
    # Where this athlete's urge begins, read from the control pause: it calibrates every other forecast.
    # threshold is an urge stimulus in mmHg; trusted is false where the pause itself passes the planning floor.
    Calibration =
      Value.define(:threshold, :full_threshold, :trusted) do
        # @param control_pause_s [Float, nil] nil: not calibrated, and so neither urge nor margin
        # @param full_threshold [Float, nil] a second threshold for holds that start above the big level
        # @param rested [Subject] the settled subject of the body seated and without thrift
        # @param oximeter_logged [Boolean] an oximeter low settles what the model doubts
        def self.from(rested, control_pause_s:, full_threshold: nil, oximeter_logged: false)
          return new(threshold: nil, full_threshold: full_threshold, trusted: true) if control_pause_s.nil?

          paused = rested.dup
          paused.hold(control_pause_s)
          trusted = oximeter_logged || paused.saturation > PLANNING_FLOOR
          new(threshold: paused.urge_stimulus, full_threshold: full_threshold, trusted: trusted)
        end

        # Seated and without thrift: that is how a control pause is taken.
        def self.body_for(body) = body.with(posture: :seated, thrift: 1.0)

        # @param volume_l [Float] lung gas at the start of a hold
        def threshold_for(volume_l, body)
          (full_threshold && volume_l > body.level_l(:big)) ? full_threshold : threshold
        end
      end
  end
end
