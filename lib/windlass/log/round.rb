# frozen_string_literal: true

module Windlass
  module Log
    # A hold of a note, or one left out. Seconds; first_breath nil where nobody knows it; sao2_low 0..1.
    Round =
      Value.define(
        :held_s, skipped: false, first_breath: nil, urge_s: nil, contraction_s: nil, sao2_low: nil, target_s: nil
      )
  end
end
