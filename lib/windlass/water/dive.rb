# frozen_string_literal: true

module Windlass
  module Water
    # One dive as it was: down [Time], seconds under, depth in metres where known, hard where it was marked so.
    Dive =
      Value.define(:down, :seconds, depth_m: nil, hard: false) do
        # @return [Time]
        def up = down + seconds
      end
  end
end
