# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      EaseEffort =
        Rule.new("ease.effort", :ease, "effort 9 or more", place: 40) do |evidence|
          effort = evidence.effort
          "Effort #{Words.number(effort)} of 10." if effort && effort >= 9
        end
    end
  end
end
