# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      AdvanceClean =
        Rule.new("advance.clean", :advance, "none of the other rules fires", looks_at: :past) do |record|
          if record.clean? && record.enough? && !record.standing.top? && (!record.ramps? || record.patient_enough?)
            sentence = "Clean, #{record.clean_in_a_row} in a row on this rung."
            record.ramps? ? "#{sentence} Drop one session this week: the weeks before held less." : sentence
          end
        end
    end
  end
end
