# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockResting =
        Rule.new("block.resting", :block, "a rest of seven days runs", "quiet breathing until it ends",
          place: 30) do |situation|
          if situation.holds? && situation.resting_until && situation.date < situation.resting_until
            {
              text: "Rest with quiet breathing.",
              **Readiness.not_before(situation.resting_until),
              lifts: "Until #{Words.date(situation.resting_until)}."
            }
          end
        end
    end
  end
end
