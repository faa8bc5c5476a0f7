# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatNone = Rule.new("repeat.none", :repeat,
        "nothing was held: not counted as a session at all") do |record|
        "Nothing was held, so this is not counted as a session." unless record.session.held?
      end
    end
  end
end
