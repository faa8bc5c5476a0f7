# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatCount =
        Rule.new(
          "repeat.count",
          :repeat,
          "clean, but fewer clean sessions in a row on this rung than a step needs, or a step was made today already",
          looks_at: :past,
          spoils: false,
          place: 100
        ) do |record|
          if record.clean? && record.session.light
            "Clean. A light day neither counts nor breaks the row."
          elsif record.clean? && record.session.refused
            "Clean. Readiness would have refused it: it counts toward no step."
          elsif record.clean? && record.stepped_today?
            "Clean. One step a day: the next one another day."
          elsif record.clean? && !record.enough?
            "Clean, #{record.clean_in_a_row} of #{record.protocol.clean_sessions} in a row on this rung."
          end
        end
    end
  end
end
