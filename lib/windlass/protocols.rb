# frozen_string_literal: true

module Windlass
  # The library. A family is a file in this folder, and nothing else.
  module Protocols
    # What a coach may want of a protocol: the library is grouped by this, in this order.
    GOALS = {
      baseline: "Find a baseline", tolerance: "Tolerance of carbon dioxide", oxygen: "Low-oxygen training",
      recovery: "Recovery under load", one_hold: "One long hold", voice: "Voice", calm: "Calm"
    }.freeze

    # Finer than any step: floats that were typed are exact up to here.
    FINEST = Rational(1, 1_000_000)

    UNITS = {
      s: "s", min: "min", beats: "beats", bpm: "beats a minute", breaths: "breaths", repetitions: "repetitions",
      count_s: "s a count", counts: "counts", rounds: "rounds", sets: "sets a day", steps: "steps", holds: "holds",
      cycles: "cycles a round", repeats: "times", stage: nil, semitones: "semitones", number: nil
    }.freeze

    # Where it may be done. None is in or near water.
    PLACES = {
      chair: "seated",
      mat: "lying on a mat or bed",
      ground: "soft ground with room to move",
      room: "standing in a rehearsal room"
    }.freeze

    WHOLE = %i[beats breaths repetitions rounds sets steps holds cycles repeats stage semitones number].freeze

    # What athletes do, as it stands on their sheets.
    DISCIPLINES = [
      "freediving", "spearfishing", "surfing", "rescue", "singing", "wind instrument", "swimming", "rowing",
      "combat sport", "everyday breathing"
    ].freeze

    APNOEA = %w[freediving spearfishing].freeze

    WAVES = %w[surfing rescue].freeze

    VOICES = ["singing", "wind instrument"].freeze

    # By their place in the library.
    ALL = Listed.in("protocols", Protocol).map { |family| family.new.freeze }.sort_by(&:place).freeze

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
