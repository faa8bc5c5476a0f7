# frozen_string_literal: true

module Windlass
  module Measures
    # The measures that doses are computed from; nil where not taken.
    # @param control_pause_s [Numeric, nil] the newest valid one
    # @param maximal_hold_s [Numeric, nil]
    # @param maximal_hold_shown_on [Date, nil] when it was held without anything to note; nil where there was
    # @param control_pause_paused [Boolean] the measure is not chased with this athlete for now
    Values =
      Value.define(
        control_pause_s: nil, control_pause_paused: false, maximal_hold_s: nil, maximal_hold_shown_on: nil,
        sustained_exhale_beats: nil
      ) do
        # What is left of the measures after a long time off.
        def scaled(share) = with(**to_h.slice(*NAMES.keys).transform_values { |value| value && value * share })
      end
  end
end
