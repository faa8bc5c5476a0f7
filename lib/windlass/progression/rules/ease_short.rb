# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseShort =
        Rule.new(
          "ease.short",
          :ease,
          "two or more holds or sounded exhales, or at least a third, under 90 % of their target",
          place: 30
        ) do |evidence|
          if evidence.many?(evidence.short)
            "#{evidence.with_rounds(evidence.short, evidence.part)} under 90 % of the target."
          end
        end
    end
  end
end
