# frozen_string_literal: true

module Windlass
  module Timeline
    # One stretch of a session: a breath in, a breath out, a hold, or natural breathing. Whole milliseconds, so that the
    # parts sum to the whole exactly. Only kind, ms, rate, to, depth and mets move gas; the rest is for the person.
    # @param kind [Symbol] one of {KINDS}
    # @param ms [Integer] milliseconds, more than 0
    # @param rate [Numeric, nil] breaths a minute, for :breathe
    # @param to [Symbol, nil] lung level at the end, for :inhale and :exhale
    # @param depth [Float, nil] for a breath in that ends between the named levels: share of the inspiratory capacity
    # @param at_most_ms [Integer, nil] of what ends by hand: it ends by itself then
    # @param mets [Numeric] metabolic equivalents, 1 at rest
    # @param phase [Symbol, nil] :settle, :work or :rest
    # @param calls [Array<Array(Integer, String)>, nil] words that are due so many milliseconds after its start
    # @param left [Rational, nil] of a breath in stages: how much of it is in the lungs at the stage's end, 0..1
    # @param midway [Boolean, nil] of a hold: a breath that stops where it is, and goes on after it
    # @param tone_hz [Float, nil] reference tone for what is sung
    # @param breath [Integer, nil] which of the deep breaths before a retention it belongs to
    # @param caps_s [Array<Integer>, nil] of a retention: its cap after one breath, after two, and so on
    # @param told [String, nil] what the deck says to do, in the words of the trade, where they are not those of its
    #   kind
    # @param counted [Array(Integer, Integer), nil] a stroke of a gear: which, of how many
    # @param tempo [Numeric, nil] beats a minute of a metronome that goes through it
    # @param own [String, nil] the coach's own words: a second line, after the cue
    # @param silent [Boolean, nil] nothing is said or sounded of it but what is called
    # @param block [Integer, nil] number of the block it belongs to, where the session has several
    Segment =
      Value.define(
        :kind, :ms, rate: nil, to: nil, depth: nil, mets: REST_METS, round: nil, cycle: nil, phase: nil, cue: nil,
        route: nil, narrowed: nil, locks: nil, sound: nil, beats: nil, breaths: nil, repetitions: nil, until: nil,
        at_most_ms: nil, calls: nil, block: nil, left: nil, tone_hz: nil, breath: nil, caps_s: nil, own: nil,
        silent: nil, told: nil, counted: nil, tempo: nil, midway: nil
      ) do
        def seconds = Rational(ms, 1000)

        # @return [Float, Symbol] where a breath ends, as {Physiology::Body#level_l} takes it
        def level = depth || to

        def hold? = kind == :hold

        def rest? = kind == :breathe && phase == :rest

        # Counted in beats that a heart may give; a sound keeps the tempo that it was asked for.
        def paced? = !beats.nil? && sound.nil?

        # A hold that the gas model sets a latest end: a limit, never a target.
        def limited? = hold? && (self.until == :cap || !at_most_ms.nil?)

        # Its length is only expected: it ends by hand, or with the last of what is counted.
        def open? = ends != :clock

        # How it ends while it runs: by the clock; by hand, at a cap at the latest; at comfort, by hand, or as planned
        # where no hand marks anything; by hand alone; with the last counted breath.
        # @return [Symbol] :clock, :cap, :comfort, :hand or :count
        def ends
          return self.until if %i[cap comfort].include?(self.until)
          return :hand if self.until || repetitions

          breaths ? :count : :clock
        end

        # The keys of the published JSON; what is not set is left out.
        # @return [Hash{Symbol => Object}]
        def to_h_plain
          {kind: kind, seconds: Numbers.plain(seconds)}.merge(
            to_h.except(:kind, :ms, :mets, :at_most_ms, :left).compact
          ).merge(
            (mets > REST_METS) ? {mets: mets} : {},
            at_most_ms ? {at_most_s: Numbers.plain(Rational(at_most_ms, 1000))} : {}
          )
        end

        # The inverse of {#to_h_plain}; names may be strings.
        def self.from_h_plain(hash)
          given = hash.transform_keys(&:to_sym)
          names = given.slice(:kind, :to, :phase, :route, :sound, :until).transform_values(&:to_sym)
          limit = given[:at_most_s] ? {at_most_ms: (given[:at_most_s] * 1000).round} : {}
          new(
            **given.except(:seconds, :at_most_s),
            **names,
            **limit,
            ms: (given.fetch(:seconds).rationalize(Rational(1, 10_000)) * 1000).round
          )
        end
      end
  end
end
