# frozen_string_literal: true

module Windlass
  module Progression
    module Readiness
      BlockSuspended = Rule.new("block.suspended", :block,
        "a stop is open", "no hold work until a clearance is recorded") do |situation|
        {text: situation.stopped, lifts: "Until a clinician has cleared it."} if situation.holds? && situation.stopped
      end
    end
  end
end
