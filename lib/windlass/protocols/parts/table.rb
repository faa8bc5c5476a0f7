# frozen_string_literal: true

module Windlass
  module Protocols
    # What the dry apnoea tables share: natural breathing, one full breath, a hold, out, and again. The stopwatch of a
    # rest runs from the end of a hold to the start of the next one: the breath out and the full breath in belong to it.
    module Table
      SETTLE_S = 120
      OUT_S = 3
      FILL_S = 4
      # Somebody watches this long after the last hold, at least. Common practice, no source.
      WATCH_S = 60

      # @param rests_s [Array<Numeric>] before each hold
      # @param holds_s [Array<Numeric>]
      def table(line, rests_s, holds_s)
        rests_s.zip(holds_s).each.with_index(1) do |(rest_s, hold_s), round|
          line.within(round: round, phase: :rest) do
            release(line) if round > 1
            line.breathe(rest_s - FILL_S - ((round > 1) ? OUT_S : 0), cue: "Breathe naturally, nothing deep")
            fill(line)
          end
          line.hold(hold_s, round: round, phase: :work, cue: "Hold, full and soft")
        end
        recover(line)
      end

      def fill(line) = line.inhale(FILL_S, to: :full, cue: "One full breath in")

      def release(line) = line.exhale(OUT_S, to: :passive, cue: "Out, without force, and breathe")

      def recover(line)
        line.within(phase: :rest) do
          release(line)
          line.breathe(WATCH_S - OUT_S, cue: "Breathe: the last hold is done")
        end
      end

      # @return [Integer] share of a maximal hold, down to five seconds
      def share_of_best(measures, share) = Numbers.down_to_multiple(measures.maximal_hold_s * share, 5)
    end
  end
end
