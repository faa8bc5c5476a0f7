# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatTop =
        Rule.new("repeat.top", :repeat, "clean and enough, on the top rung", looks_at: :past, spoils: false,
          place: 120) do |record|
          if record.clean? && record.enough? && record.standing.top?
            "Clean on the top rung. Take a new measure: the ladder is built anew from it."
          end
        end
    end
  end
end
