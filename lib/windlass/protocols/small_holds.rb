# frozen_string_literal: true

module Windlass
  module Protocols
    # F1, small holds (reduced breathing): the gentlest dose there is. Common practice, no source.
    class SmallHolds < Protocol
      SETTLE_S = 120
      INHALE_S = 2
      EXHALE_S = 3
      BREATH_MS = (INHALE_S + EXHALE_S) * 1000
      # Two or three normal breaths between holds: 10-15 s, aimed at the middle.
      REST_S = Rational(25, 2)

      USUAL_HOLD_S = 5
      PAUSED_HOLD_S = 3
      LONGEST_HOLD_S = 10
      # A control pause this short halves itself into the hold.
      SHORT_PAUSE_S = 10
      HALF_SECOND = Rational(1, 2)

      def id = "small-holds"

      def name = "Small holds"

      def column = :small

      def trains = "Easier breathing at rest, and a later first urge, by many holds that stay comfortable."

      def cautions
        ["Each hold ends while it is still comfortable. The first breath after it is as calm as the one before."]
      end

      def levers
        [
          Lever.new(key: :sets, words: "sets a day", step: 1, limit: ->(_) { 3 }),
          Lever.new(key: :minutes, words: "minutes a set", step: 1, limit: ->(_) { 8 }),
          Lever.new(key: :hold_s, words: "seconds a hold", step: 1, limit: method(:longest_hold_s))
        ]
      end

      def start(measures)
        hold = starting_hold_s(measures)
        hold && {hold_s: hold, minutes: 5, sets: 2}.freeze
      end

      def needs = "a valid control pause"

      def shortest_hold_s = HALF_SECOND

      def halved_key = :minutes

      # Two minutes of easy breathing, then rounds that fill the set's minutes to the millisecond.
      def compile(dose)
        hold_ms, total_ms = milliseconds(dose)
        rounds = rounds_a_set(dose)
        rests = Timeline::Allocation.even(total_ms - rounds * (BREATH_MS + hold_ms), rounds)
        Timeline::Compiler.compile do |line|
          line.breathe(SETTLE_S, phase: :settle, cue: "Easy breathing through the nose")
          rests.each.with_index(1) { |rest_ms, round| round(line, round, hold_ms, rest_ms) }
        end
      end

      # Without compiling: the judge asks this of every day.
      def rounds(dose) = rounds_a_set(dose) * sets(dose)

      # @return [String] `13 holds of 5 s in 5 min, 2 sets a day`
      def in_words(dose)
        "#{Words.count(rounds_a_set(dose), "hold")} of #{Words.seconds(dose[:hold_s])} in " \
        "#{Words.length(dose[:minutes] * 60)}, #{Words.count(dose[:sets], "set")} a day"
      end

      private

      def starting_hold_s(measures)
        return PAUSED_HOLD_S if measures.control_pause_paused

        pause = measures.control_pause_s or return
        (pause <= SHORT_PAUSE_S) ? Numbers.plain(Numbers.down_to_multiple(pause/2r, HALF_SECOND)) : USUAL_HOLD_S
      end

      def longest_hold_s(measures)
        start = starting_hold_s(measures)
        return start if start.nil? || measures.control_pause_paused

        (measures.control_pause_s * 3/5r).floor.clamp(start, LONGEST_HOLD_S)
      end

      # As many as bring the rests nearest to their middle.
      def rounds_a_set(dose)
        hold_ms, total_ms = milliseconds(dose)
        [Rational(total_ms, BREATH_MS + hold_ms + REST_S * 1000).round, 1].max
      end

      def milliseconds(dose) = [(dose.fetch(:hold_s) * 1000).round, (dose.fetch(:minutes) * 60_000).round]

      def round(line, round, hold_ms, rest_ms)
        line.inhale(INHALE_S, to: :easy, round: round, phase: :work, route: :nose, cue: "A normal breath in")
        line.exhale(EXHALE_S, to: :passive, round: round, phase: :work, route: :nose, cue: "A normal breath out, and pinch")
        line.hold(Rational(hold_ms, 1000), round: round, phase: :work, cue: "Hold")
        line.breathe(Rational(rest_ms, 1000), round: round, phase: :rest, route: :nose, cue: "Breathe, as calm as before")
      end
    end
  end
end
