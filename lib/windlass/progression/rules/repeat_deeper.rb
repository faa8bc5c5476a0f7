# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatDeeper =
        Rule.new("repeat.deeper", :repeat, "more than half of the first breaths deeper", place: 70) do |evidence|
          if evidence.mostly_deeper?
            "#{evidence.deeper.size} of #{evidence.rounds.count(&:first_breath)} first breaths deeper."
          end
        end
    end
  end
end
