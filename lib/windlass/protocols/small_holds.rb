# frozen_string_literal: true

module Windlass
  module Protocols
    # F1, small holds (reduced breathing): the gentlest dose there is. Common practice, no source.
    class SmallHolds < Protocol
      # Two or three normal breaths between holds: 10-15 s, aimed at the middle.
      REST_S = Rational(25, 2)

      USUAL_HOLD_S = 5
      PAUSED_HOLD_S = 3
      LONGEST_HOLD_S = 10
      # A control pause this short halves itself into the hold.
      SHORT_PAUSE_S = 10
      HALF_SECOND = Rational(1, 2)

      about id: "small-holds",
        name: "Small holds",
        known_as: "reduced breathing mini pauses many short",
        place: 10,
        counted_aloud: %i[seconds down],
        goal: :calm,
        column: :small,
        places: %i[chair mat],
        needs: {control_pause_s: 0},
        shortest_hold_s: HALF_SECOND,
        halves: :minutes,
        hold_key: :hold_s,
        trains: "Easier breathing at rest, and a later first urge, by many holds that stay comfortable.",
        cautions: [
          "Each hold ends while it is still comfortable. The first breath after it is as calm as the one before."
        ]

      parameter :hold_s, "hold", :s, 0.5..15, step: 0.5, shapes: :hold
      parameter :minutes, "minutes a set", :min, 1..15, step: 1
      parameter :sets, "sets a day", :sets, 1..4, step: 1
      settles 120, cue: "Easy breathing through the nose"
      detail :in_s, "breath in before a hold", :s, 1..6, step: 0.5, shapes: :breathing, usual: 2
      detail :out_s, "breath out before a hold", :s, 1..8, step: 0.5, shapes: :breathing, usual: 3
      detail :rest_breaths, "rest, in breaths", :breaths, 1..12, step: 1, shapes: :rest, telling: "rest of %s"

      lever :sets, step: 1, limit: 3
      lever :minutes, step: 1, limit: 8
      lever :hold_s,
        step: 1,
        limit: ->(measures) { longest_hold_s(measures) },
        limit_words: "60 % of the control pause, at most 10 s; half of one of 10 s or less"

      class << self
        # Toward six tenths of the control pause, never past it, and never below the start; of a short one half is the
        # limit, too.
        def longest_hold_s(measures)
          start = starting_hold_s(measures)
          return start if start.nil? || measures.control_pause_paused || measures.control_pause_s <= SHORT_PAUSE_S

          (measures.control_pause_s * 3/5r).floor.clamp(start, LONGEST_HOLD_S)
        end

        def starting_hold_s(measures)
          return PAUSED_HOLD_S if measures.control_pause_paused

          pause = measures.control_pause_s or return
          (pause <= SHORT_PAUSE_S) ? Numbers.plain(Numbers.down_to_multiple(pause/2r, HALF_SECOND)) : USUAL_HOLD_S
        end
      end

      # Nothing is lacking where the measure is paused.
      def lacking(measures) = measures.control_pause_paused ? nil : super

      # Two minutes of easy breathing, then rounds that fill the set's minutes to the millisecond.
      def write(line, dose)
        hold_ms, total_ms = milliseconds(dose)
        rounds = rounds_a_set(dose)
        rests = Timeline::Allocation.even(total_ms - rounds * (breath_ms(dose) + hold_ms), rounds)
        settle(line, dose)
        rests.each.with_index(1) { |rest_ms, round| line.within(round: round) { round(line, dose, hold_ms, rest_ms) } }
      end

      def light_step_s = HALF_SECOND

      # Without compiling: the judge asks this of every day.
      def rounds(dose) = rounds_a_set(dose) * sets(dose)

      # @return [String] `13 holds of 5 s in 5 min, 2 sets a day`
      def pattern_in_words(dose)
        "#{Words.count(rounds_a_set(dose), "hold")} of #{Words.seconds(dose[:hold_s])} in " \
          "#{Words.length(dose[:minutes] * 60)}, #{Words.count(dose[:sets], "set")} a day"
      end

      private

      def starting_dose(measures) = {hold_s: self.class.starting_hold_s(measures), minutes: 5, sets: 2}

      # As many as bring the rests nearest to their middle.
      def rounds_a_set(dose)
        hold_ms, total_ms = milliseconds(dose)
        rest_s = dose[:rest_breaths] ? dose[:rest_breaths] * Parts::BREATH_S : REST_S
        [Rational(total_ms, breath_ms(dose) + hold_ms + rest_s * 1000).round, 1].max
      end

      def breath_ms(dose) = ((setting(dose, :in_s) + setting(dose, :out_s)) * 1000).round

      def milliseconds(dose) = [(dose.fetch(:hold_s) * 1000).round, (dose.fetch(:minutes) * 60_000).round]

      def round(line, dose, hold_ms, rest_ms)
        line.within(phase: :work) do
          line.inhale(setting(dose, :in_s), to: :easy, route: :nose, cue: "A normal breath in by the nose")
          line.exhale(
            setting(dose, :out_s),
            to: :passive,
            route: :nose,
            cue: "A normal breath out by the nose, and pinch"
          )
          line.hold(Rational(hold_ms, 1000), cue: "Hold")
        end
        line.breathe(
          Rational(rest_ms, 1000),
          phase: :rest,
          route: :nose,
          breaths: dose[:rest_breaths],
          cue: "Breathe by the nose, as calm as before"
        )
      end
    end
  end
end
