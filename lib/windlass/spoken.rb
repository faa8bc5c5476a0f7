# frozen_string_literal: true

module Windlass
  # What is heard of a session, for closed eyes: tones, words, counts, notes, and when. It is reckoned here, once for
  # every session; a browser only lays it on its audio clock.
  module Spoken
    # Something that is heard.
    # @param at_ms [Numeric] from the first second of the session; the count-in lies before 0
    # @param lasts_ms [Numeric]
    # @param kind [Symbol] one of {KINDS}
    # @param words [String, nil] of what is said
    # @param part [Integer] index of the part that is announced, also where it is said before that part begins
    # @param round [Integer, nil] of that part
    # @param hz [Float, nil] of a reference note
    # @param accent [Boolean] the first tick of a group
    # @param whole [Boolean] a call of the whole session: it comes at its moment, whatever its parts do
    # @param tone [Symbol, nil] which tone it is: one of {TONES}
    Cue =
      Value.define(
        :at_ms, :lasts_ms, :kind, :part, words: nil, round: nil, hz: nil, accent: false, tone: nil, whole: false
      ) do
        def end_ms = at_ms + lasts_ms

        def to_h_plain
          {
            at_s: Numbers.plain((at_ms / 1000.0).round(4)),
            lasts_s: Numbers.plain((lasts_ms / 1000.0).round(4)),
            kind: kind,
            words: words,
            part: part,
            round: round,
            hz: hz,
            accent: accent
          }.merge(tone ? {tone: tone} : {})
        end
      end

    # What found no room, or can not be told apart by ear. at_ms: where that part begins.
    Silence =
      Value.define(:part, :at_ms, :because, kind: nil) do
        def to_h_plain =
          {part: part, at_s: Numbers.plain((at_ms / 1000.0).round(4)), kind: kind, because: because}.compact
      end

    KINDS = %i[instruction place count own call note tone tick].freeze
    # Those that are words.
    SAID = %i[instruction place count own call].freeze
    TONES = %i[in out hold_full hold_empty sound breathe end].freeze

    # @return [Score]
    def self.of(compiled, **how) = Score.new(compiled, **how)
  end
end
