# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatOver =
        Rule.new("repeat.over", :repeat, "a hold over 110 % of its target: pushed past the plan",
          place: 60) do |evidence|
          if evidence.over.any?
            "#{evidence.with_rounds(evidence.over, "hold")} over 110 % of the target: pushed past the plan."
          end
        end
    end
  end
end
