# frozen_string_literal: true

module Windlass
  module Measures
    # The measures that doses are computed from; nil where not taken.
    Values = Value.define(:control_pause_s, :control_pause_paused, :maximal_hold_s, :sustained_exhale_beats) do
      # @param control_pause_s [Numeric, nil] the newest valid one
      # @param maximal_hold_s [Numeric, nil]
      # @param control_pause_paused [Boolean] the measure is not chased with this athlete for now
      def initialize(control_pause_s: nil, control_pause_paused: false, maximal_hold_s: nil, sustained_exhale_beats: nil)
        super
      end
    end
  end
end
