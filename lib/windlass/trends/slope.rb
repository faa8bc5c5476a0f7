# frozen_string_literal: true

module Windlass
  module Trends
    # The slope that half of all pairs of points lie above, with the interval in which it is to be believed.
    # Theil 1950; Sen, J Am Stat Assoc 1968; 63:1379-1389, equation 2.6 (from memory).
    Slope =
      Value.define(:slope, :low, :high) do
        # @return [Boolean] the interval leaves no room for "no change"
        def clear? = low > 0 || high < 0
      end
  end
end
