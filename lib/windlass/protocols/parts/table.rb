# frozen_string_literal: true

module Windlass
  module Protocols
    # What the dry apnoea tables share: natural breathing, one full breath, a hold, out, and again. The stopwatch of a
    # rest runs from the end of a hold to the start of the next one: the breath out and the full breath in belong to it.
    module Table
      OUT_S = 3
      FILL_S = 4
      # Somebody watches this long after the last hold, at least. Common practice, no source.
      WATCH_S = 60

      # What few change of them.
      def self.included(family)
        family.detail :fill_s, "full breath in", :s, 2..60, step: 1, usual: FILL_S
        family.detail :out_s, "breath out after it", :s, 1..15, step: 1, usual: OUT_S
      end

      # @param rests_s [Array<Numeric>] before each hold
      # @param holds_s [Array<Numeric>]
      def table(line, dose, rests_s, holds_s)
        rests_s
          .zip(holds_s)
          .each
          .with_index(1) do |(rest_s, hold_s), round|
            line.within(round: round, phase: :rest) do
              release(line, dose) if round > 1
              between(line, dose, rest_s, first: round == 1)
              fill(line, dose)
            end
            line.hold(hold_s, round: round, phase: :work, cue: "Hold, full and soft")
          end
        recover(line, dose)
      end

      # Some breathing there always is, however long the breaths out and in are.
      def between(line, dose, rest_s, first:)
        breaths = first ? nil : dose[:rest_breaths]
        if breaths
          return (
            line.breathe(breaths * Parts::BREATH_S, breaths: breaths, cue: "Recovery breaths, as calm as they come")
          )
        end

        taken_s = setting(dose, :fill_s) + (first ? 0 : setting(dose, :out_s))
        line.breathe(
          [rest_s - taken_s, Timeline::Breaks::SHORTEST_MS / 1000].max,
          cue: "Breathe naturally, nothing deep"
        )
      end

      def fill(line, dose) = line.inhale(setting(dose, :fill_s), to: :full, cue: "One full breath in")

      def release(line, dose) = line.exhale(setting(dose, :out_s), to: :passive, cue: "Out, without force, and breathe")

      def recover(line, dose)
        line.within(phase: :rest) do
          release(line, dose)
          line.breathe(WATCH_S - setting(dose, :out_s), cue: "Breathe: the last hold is done")
        end
      end

      # @return [Integer] share of a maximal hold, down to five seconds
      def share_of_best(measures, share) = Numbers.down_to_multiple(measures.maximal_hold_s * share, 5)
    end
  end
end
