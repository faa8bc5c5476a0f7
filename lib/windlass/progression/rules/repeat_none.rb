# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatNone = Rule.new("repeat.none", :repeat,
        "nothing was done, or it was left within the first round without a symptom: not counted as a session at all") do |record|
        if !record.session.begun?
          "Nothing was #{record.session.holds? ? "held" : "done"}, so this is not counted as a session."
        elsif record.session.false_start?
          "A false start, left within the first round: not counted as a session."
        end
      end
    end
  end
end
