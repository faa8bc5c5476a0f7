# frozen_string_literal: true

module Windlass
  module Trends
    # How far one sample lies from another, with the interval in which it is to be believed.
    Difference =
      Value.define(:difference, :low, :high) do
        # @return [Boolean] the interval leaves no room for "no lower"
        def clearly_lower? = high < 0
      end
  end
end
