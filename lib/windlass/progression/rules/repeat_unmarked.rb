# frozen_string_literal: true

module Windlass
  module Progression
    module Rules
      RepeatUnmarked =
        Rule.new(
          "repeat.unmarked",
          :repeat,
          "more than half of what ends at comfort, at the urge or at a cap was not marked",
          place: 90
        ) do |evidence|
          if evidence.mostly_unmarked?
            "#{evidence.unmarked.size} of #{Words.count(evidence.rounds.size, evidence.part)} not marked: how long " \
            "they were nobody knows."
          end
        end
    end
  end
end
