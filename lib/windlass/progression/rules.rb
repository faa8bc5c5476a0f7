# frozen_string_literal: true

module Windlass
  module Progression
    # The rulebook of the judge. A rule is a file in this folder, and nothing else. Common practice, cautiously set; no
    # published source.
    module Rules
      # Strongest verdict first, then by place, then by name.
      ALL =
        Listed.in("progression/rules", Rule)
          .sort_by { |rule| [VERDICTS.index(rule.verdict), rule.place, rule.id] }.freeze

      # What is clean follows from the rules: those on which a session is not.
      SPOILING = ALL.select(&:spoils?).freeze
      # Those of them that one session says by itself, and those that need its past.
      SPOILING_ALONE, SPOILING_IN_A_ROW = SPOILING.partition(&:of_session?).map(&:freeze)
    end
  end
end
