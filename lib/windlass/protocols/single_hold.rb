# frozen_string_literal: true

module Windlass
  module Protocols
    # F6, breathe-up and single hold. Common practice, no source.
    class SingleHold < Protocol
      MEDIUM_IN_S = 4
      MEDIUM_OUT_S = 6
      FILL_S = 8
      HOOK_BREATHS = 3
      SHORTEST_REST_S = 180

      about id: "single-hold", name: "Breathe-up and single hold", goal: :one_hold, column: :tables, places: %i[chair mat],
        disciplines: APNOEA, needs: {maximal_hold_s: 40}, shortest_hold_s: 5, hold_key: :hold_s, clean_sessions: 3, strenuous: true, once_a_day: true,
        halves: :holds, rest_twice: true,
        trains: "One long, easy hold: a slow breathe-up, one medium breath, one full breath, and hook breaths after it.",
        cautions: ["No over-breathing, ever: longer out than in, and one medium breath before the full one. Dry only."]

      parameter :in_s, "breathe-up, in", :s, 1..8, step: 0.5, shapes: :breathing
      parameter :out_s, "breathe-up, out", :s, 2..16, step: 0.5, shapes: :breathing
      parameter :breathe_up_s, "breathe-up", :s, 30..300, step: 10, shapes: :breathing
      parameter :hold_s, "hold", :s, 5..420, step: 5, shapes: :hold
      parameter :holds, "holds", :holds, 1..3, step: 1

      lever :hold_s, step: 5, limit: ->(measures) { Numbers.down_to_multiple(measures.maximal_hold_s * 4/5r, 5) },
        limit_words: "80 % of the maximal hold"
      lever :holds, step: 1, limit: 3

      def write(line, dose)
        (1..dose[:holds]).each do |round|
          line.within(round: round) do
            rest(line, rest_s(dose)) if round > 1
            prepare(line, dose)
            line.hold(dose[:hold_s], phase: :work, cue: "Hold, full and soft")
          end
        end
        rest(line, Table::WATCH_S)
      end

      # @return [String] `1 hold of 1:10 after 2:00 of breathe-up, in 3 s and out 6 s`
      def in_words(dose)
        "#{Words.count(dose[:holds], "hold")} of #{Words.hold(dose[:hold_s])} after #{Words.clock(dose[:breathe_up_s])} of breathe-up, " \
        "in #{Words.seconds(dose[:in_s])} and out #{Words.seconds(dose[:out_s])}"
      end

      private

      # A breathe-up is as big as the body needs it, and the medium breath twice that, to the big level at most: whatever is
      # more washes carbon dioxide out before the hold.
      BREATHE_UP_NEEDS = {easy: 1, big: 2}.freeze
      private_constant :BREATHE_UP_NEEDS

      def needs_of_breath(segment) = (BREATHE_UP_NEEDS[segment.to] if segment.phase == :settle)

      def starting_dose(measures)
        hold_s = Numbers.down_to_multiple(measures.maximal_hold_s * 3/5r, 5)
        {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: hold_s, holds: 1}
      end

      # Twice the hold, and three minutes at least.
      def rest_s(dose) = [2 * dose[:hold_s], SHORTEST_REST_S].max

      # The hook breaths are its beginning.
      def rest(line, seconds)
        line.within(phase: :rest) do
          HOOK_BREATHS.times do
            line.exhale(1, to: :big, cue: "Short out")
            line.inhale(2, to: :full, cue: "Full in, and keep it a moment")
          end
          line.exhale(3, to: :passive, cue: "Out, without force")
          line.breathe(seconds - HOOK_BREATHS * 3 - 3, cue: "Breathe naturally")
        end
      end

      # Whole breaths that fill the breathe-up, then the medium breath, out to passive, and one full breath.
      def prepare(line, dose)
        line.within(phase: :settle) do
          SlowBreaths.write(line, dose[:breathe_up_s], dose[:in_s], dose[:out_s], cues: ["In, belly first, the chest still", "Out, twice as long"])
          line.inhale(MEDIUM_IN_S, to: :big, cue: "One medium breath in")
          line.exhale(MEDIUM_OUT_S, to: :passive, cue: "Out, passively")
          line.inhale(FILL_S, to: :full, cue: "One full breath in")
        end
      end
    end
  end
end
