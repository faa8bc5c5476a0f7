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
        RepeatCount,
        RepeatRamp,
        RepeatTop,
        AdvanceClean
      ].freeze
    end
  end
end
