# frozen_string_literal: true

module Windlass
  module Progression
    # The rulebook of the judge, strongest first, in reading order. A rule is a file in this folder and a line here.
    # Common practice, cautiously set; no published source.
    module Rules
      ALL = [
        StopSymptom,
        RestWarnings,
        EaseWarning,
        EaseGasps,
        EaseShort,
        EaseEffort,
        EaseSaturation,
        EaseStuck,
        EaseMornings,
        RepeatNone,
        RepeatUnfinished,
        RepeatGasp,
        RepeatShort,
        RepeatEffort,
        RepeatOver,
        RepeatDeeper,
        RepeatUneven,
        RepeatUnmarked,
        RepeatCount,
        RepeatRamp,
        RepeatTop,
        AdvanceClean
      ].freeze

      # What is clean follows from the rules: those on which a session is not.
      SPOILING = ALL.select(&:spoils?).freeze
      # Those of them that one session says by itself, and those that need its past.
      SPOILING_ALONE, SPOILING_IN_A_ROW = SPOILING.partition(&:of_session?).map(&:freeze)
    end
  end
end
