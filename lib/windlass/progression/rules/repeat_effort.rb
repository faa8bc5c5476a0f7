# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatEffort =
        Rule.new("repeat.effort", :repeat, "effort 8 or more, under 9", place: 50) do |evidence|
          effort = evidence.effort
          "Effort #{Words.number(effort)} of 10." if effort && effort >= 8 && effort < 9
        end
    end
  end
end
