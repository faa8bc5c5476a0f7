# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockMovement =
        Rule.new(
          "block.movement",
          :block,
          "the newest breathing movement was paradoxical, or the belly was not found in any position",
          "quiet breathing and drills only, until it is seen well",
          place: 50
        ) do |situation|
          if situation.movement_fault && !situation.columns.empty?
            {text: situation.movement_fault, lifts: "Until the breathing movement is seen well.", opens: :never}
          end
        end
    end
  end
end
