# frozen_string_literal: true

module Windlass
  # The library. A family is a file in this folder and a line in this list.
  module Protocols
    ALL = [
      SmallHolds, OwnPace, QuietBreathing, FullBreath, Ratio, RatioDeep, AlternateNostril, Co2Table, CountedRecovery, O2Table,
      SingleHold, LoadedHolds, WalkingHolds, DeepRounds, Bellows, HissLadder, StackedExhale
    ].map { |family| family.new.freeze }.freeze

    # @param id [String]
    # @return [Protocol]
    # @raise [Unknown]
    def self.find(id)
      ALL.find { |protocol| protocol.id == id } or raise Unknown.new("protocol", id, ALL.map(&:id))
    end
  end
end
