# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatTop = Rule.new("repeat.top", :repeat,
        "clean and enough, on the top rung") do |record|
        if record.evidence.clean? && record.enough? && record.standing.top?
          "Clean on the top rung. Take a new measure: the ladder is built anew from it."
        end
      end
    end
  end
end
