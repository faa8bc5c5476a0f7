# frozen_string_literal: true

module Windlass
  # The library. A family is a file in this folder and a line in this list.
  module Protocols
    ALL =
      [
        SmallHolds, OwnPace, QuietBreathing, BellyDrill, ZoneDrill, FullBreath, Ratio, RatioDeep, AlternateNostril,
        Co2Table, CountedRecovery, O2Table, SingleHold, LoadedHolds, WalkingHolds, DeepRounds, Bellows, HissLadder,
        StackedExhale
      ].map { |family| family.new.freeze }.freeze

    # Planning weeks asks for the same few a hundred thousand times.
    BY_ID = ALL.to_h { |protocol| [protocol.id, protocol] }.freeze
    private_constant :BY_ID

    # @param id [String] of a family, or of a session of blocks
    # @return [Protocol]
    # @raise [Unknown]
    def self.find(id) = Blocks.id?(id) ? Blocks.find(id) : family(id)

    # @param id [String]
    # @yieldreturn [Hash, nil] a dose; asked for only where the facts hang on it
    # @return [Protocol] with the facts of that dose
    def self.bound(id) = find(id).then { |protocol| protocol.is_a?(Blocks) ? protocol.bound(yield) : protocol }

    # @param id [String]
    # @return [Protocol] one of the library
    # @raise [Unknown]
    def self.family(id) = BY_ID.fetch(id) { raise Unknown.new("protocol", id, BY_ID.keys) }

    # @return [Protocol] what is left when nothing else is open: no column of the screening table forbids it
    def self.always_open = ALL.find { |protocol| protocol.column.nil? }

    # @param value [Object] a dose as JSON or YAML give it
    # @return [Object] with symbols for keys, down to its breaks; frozen
    def self.dose(value)
      case value
      when Hash
        value.to_h { |key, inner| [key.to_sym, dose(inner)] }.freeze
      when Array
        value.map { |inner| dose(inner) }.freeze
      else
        value
      end
    end
  end
end
