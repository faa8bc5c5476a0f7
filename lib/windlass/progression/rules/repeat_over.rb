# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatOver = Rule.new("repeat.over", :repeat,
        "a hold over 110 % of its target: pushed past the plan") do |evidence|
        "#{evidence.with_rounds(evidence.over, "hold")} over 110 % of the target: pushed past the plan." if evidence.over.any?
      end
    end
  end
end
