# frozen_string_literal: true

module Windlass
  module Measures
    # A comfortable pause after a normal breath out, to the first clear signal: a measure of carbon-dioxide sensitivity.
    ControlPause =
      Value.define(:seconds, :taken_at, :on_waking, :ended_by, :first_breath) do
        # @param seconds [Numeric]
        # @param taken_at [Time]
        # @param on_waking [Boolean] first thing in the morning, before food
        # @param ended_by [Symbol] a key of {ENDINGS}
        # @param first_breath [Symbol] :calm, :deeper or :gasp
        def initialize(seconds:, taken_at:, on_waking:, ended_by:, first_breath:)
          super
        end

        # Held past the signal: the next breath tells.
        def pushed? = first_breath != :calm

        def bodily_signal? = ENDINGS.fetch(ended_by).bodily

        # Outside this it is measured anew rather than believed.
        def plausible? = PLAUSIBLE_S.cover?(seconds)

        # Counts as a control pause at all.
        def valid? = plausible? && bodily_signal? && !pushed?

        # Counts towards the morning trend, if it is the first of its day.
        def valid_morning? = valid? && on_waking

        def band = BANDS.find { |band| seconds < band.below_s }
      end

    # What ended it; only a bodily signal makes it a control pause.
    Ending = Value.define(:words, :bodily)
    ENDINGS = {
      diaphragm: Ending.new(words: "a twitch of the diaphragm", bodily: true),
      throat: Ending.new(words: "a swallow, or tightness in throat or belly", bodily: true),
      wish: Ending.new(words: "the first definite wish to breathe", bodily: true),
      impatience: Ending.new(words: "impatience, with no bodily signal", bodily: false),
      anxiety: Ending.new(words: "anxiety", bodily: false),
      distraction: Ending.new(words: "a distraction", bodily: false)
    }.freeze

    FIRST_BREATHS = {
      calm: "as calm as the one before",
      deeper: "deeper, or bigger breaths after it",
      gasp: "a gasp"
    }.freeze

    # Common practice, no source.
    PLAUSIBLE_S = DOSING_S
    Band = Value.define(:id, :below_s, :words)
    BANDS = [
      Band.new(id: :very_short, below_s: 10, words: "very short"),
      Band.new(id: :low, below_s: 20, words: "low"),
      Band.new(id: :building, below_s: 40, words: "building"),
      Band.new(id: :strong, below_s: Float::INFINITY, words: "strong")
    ].freeze
  end
end
