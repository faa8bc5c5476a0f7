# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseShort = Rule.new("ease.short", :ease,
        "two or more holds or sounded exhales, or at least a third, under 90 % of their target") do |evidence|
        "#{evidence.with_rounds(evidence.short, evidence.part)} under 90 % of the target." if evidence.many?(evidence.short)
      end
    end
  end
end
