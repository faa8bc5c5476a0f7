# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatNone =
        Rule.new(
          "repeat.none",
          :repeat,
          "nothing was done, or it was left within the first round without a symptom: not counted as a session at all",
          place: 10
        ) do |evidence|
          if !evidence.session.begun?
            "Nothing was #{evidence.session.holds? ? "held" : "done"}, so this is not counted as a session."
          elsif evidence.session.false_start?
            "A false start, left within the first round: not counted as a session."
          end
        end
    end
  end
end
