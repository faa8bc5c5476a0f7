# frozen_string_literal: true

module Windlass
  module Presenters
    # Who stands in for a session's athlete where there is none: an average adult. Invented.
    module Nobody
      BODY = Physiology::REFERENCE_BODY
      MEASURES = Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)
      WORDS = "an average adult: control pause 25 s, maximal hold 2:00"
    end
  end
end
