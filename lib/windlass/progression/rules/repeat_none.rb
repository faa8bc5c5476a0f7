# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatNone = Rule.new("repeat.none", :repeat,
        "nothing was held: not counted as a session at all") do |record|
        unless record.session.begun?
          "Nothing was #{record.session.holds? ? "held" : "done"}, so this is not counted as a session."
        end
      end
    end
  end
end
