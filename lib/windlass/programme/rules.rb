# frozen_string_literal: true

module Windlass
  module Programme
    # What a training meets on a day whatever else is planned, strongest first. A rule is a file in this folder and a
    # line here.
    ALONE = [
      AwayRule, EventQuietRule, EventStrenuousRule, EventMaximalRule, EventAfterRule, EasyStrenuousRule, SlotPlaceRule,
      SlotMinutesRule, ReadyRule
    ].freeze

    # What it meets because of what is planned already.
    AMONG = [EventTimesRule, SlotMinutesRule, SlotAloneRule, ReadyAmongRule, RampWeekRule].freeze

    RULES = (ALONE + AMONG).uniq.freeze
  end
end
