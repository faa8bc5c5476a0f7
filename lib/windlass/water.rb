# frozen_string_literal: true

module Windlass
  module Water
    SECONDS = (1..1200)

    DEPTH_M = (0..200)

    # So long after surfacing signs are asked for: the handbook, safety.
    SIGNS_AFTER_S = 30
  end
end
