# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      # Why not, or not as usual. lifts: what changes it, and when. opens: the moment, in seconds; :never where no time
      # changes it; nil where it can be changed at once. standing: where the session is to be done, if lower.
      Reason =
        Value.define(:rule, :state, :text, lifts: nil, opens: nil, standing: nil) do
          # It may be done all the same, if lighter or lower.
          def go? = %i[light yes].include?(state)

          # @return [Array] to sort by: the strongest state; then what bars for good; of what opens, the latest
          def place = [STATES.index(state), OPENS.index { |kind| kind === opens }, opens.is_a?(Numeric) ? -opens : 0]
        end
    end
  end
end
