# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseGasps =
        Rule.new("ease.gasps", :ease, "two or more gasps, or gasps after at least a third of the holds",
          place: 20) do |evidence|
          "#{evidence.with_rounds(evidence.gasps, "gasp")}." if evidence.many?(evidence.gasps)
        end
    end
  end
end
