# frozen_string_literal: true

module Windlass
  # What is measured of an athlete, and what it says.
  module Measures
    CONTROL_PAUSE_USES = {primary: "main measure", background: "background only", paused: "paused"}.freeze

    ENDINGS = {
      diaphragm: Ending.new(words: "a twitch of the diaphragm", bodily: true),
      throat: Ending.new(words: "a swallow, or tightness in throat or belly", bodily: true),
      wish: Ending.new(words: "the first definite wish to breathe", bodily: true),
      impatience: Ending.new(words: "impatience, with no bodily signal", bodily: false),
      anxiety: Ending.new(words: "anxiety", bodily: false),
      distraction: Ending.new(words: "a distraction", bodily: false)
    }.freeze

    # Days on which mornings are looked at.
    MORNINGS_DAYS = 42

    # No dose is computed from a control pause outside this: it is measured anew rather than believed. Common practice,
    # no source.
    DOSING_S = (3..90)

    # What the measures are called where one is missing.
    NAMES = {
      control_pause_s: "a valid control pause",
      maximal_hold_s: "a maximal hold",
      sustained_exhale_beats: "a sustained exhale"
    }.freeze

    FIRST_BREATHS = {
      calm: "as calm as the one before",
      deeper: "deeper, or bigger breaths after it",
      gasp: "a gasp"
    }.freeze

    # Common practice, no source.
    PLAUSIBLE_S = DOSING_S

    BANDS = [
      Band.new(id: :very_short, below_s: 10, words: "very short"),
      Band.new(id: :low, below_s: 20, words: "low"),
      Band.new(id: :building, below_s: 40, words: "building"),
      Band.new(id: :strong, below_s: Float::INFINITY, words: "strong")
    ].freeze

    # What may be noted after a hold that was taken to its end. Whatever else was noted before is a doubt too.
    AFTERWARDS = {
      "no" => "nothing to note",
      "dizzy" => "dizzy or tingling",
      "stop" => "shaking, blue lips, passed out, or worse"
    }.freeze

    # A drop to this share of the recent median asks for a light day, if it is this many seconds too.
    DROP_SHARE = 3 / 4r
    DROP_S = 3

    # @return [Boolean] exact: 9.3 is three quarters of 12.4
    def self.dropped?(seconds, median)
      fell = Numbers.exact(median) - Numbers.exact(seconds)
      Numbers.exact(seconds) <= DROP_SHARE * Numbers.exact(median) && fell >= DROP_S
    end

    # A kind of measure is a file in measures/kinds, and nothing else. The control pause has a way of its own.
    KINDS = Listed.in("measures/kinds", Kind).map { |kind| kind.new.freeze }.sort_by(&:place).freeze

    # @param id [String]
    # @return [Kind]
    # @raise [Unknown]
    def self.kind(id) = KINDS.find { |kind| kind.id == id } || raise(Unknown.new("measure", id, KINDS.map(&:id)))
  end
end
