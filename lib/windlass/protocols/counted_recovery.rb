# frozen_string_literal: true

module Windlass
  module Protocols
    # F4, counted-recovery table: the rest is a number of breaths. Common practice, no source.
    class CountedRecovery < Protocol
      include Table

      about id: "counted-recovery",
        name: "Counted recovery",
        known_as: "surf surfer wave hold-down wipeout breaths between",
        place: 110,
        counted_aloud: %i[breaths down],
        goal: :tolerance,
        column: :tables,
        places: %i[chair mat],
        disciplines: APNOEA + WAVES,
        needs: {maximal_hold_s: 40},
        shortest_hold_s: 5,
        hold_key: :hold_s,
        once_a_day: true,
        trains: "Recovering in few breaths: a fixed number of breaths between holds.",
        cautions: ["Cut a breath only if the first breath was smooth. Dry only, seated or lying."]

      parameter :hold_s, "hold", :s, 5..300, step: 5, shapes: :hold
      parameter :breaths, "recovery breaths", :breaths, 1..12, step: 1, shapes: :rest
      parameter :rounds, "rounds", :rounds, 1..12, step: 1

      settles 120, cue: "Breathe naturally, nothing deep"

      lever :breaths, step: -1, harder: :down, limit: 1
      lever :hold_s,
        step: 5,
        limit: ->(measures) { Numbers.down_to_multiple(measures.maximal_hold_s/2r, 5) },
        limit_words: "half of the maximal hold"
      lever :rounds, step: 1, limit: 8

      def write(line, dose)
        settle(line, dose)
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose, round) } }
        recover(line, dose)
      end

      # @return [String] `6 holds of 0:45, 6 breaths between them`
      def pattern_in_words(dose)
        "#{Words.count(dose[:rounds], "hold")} of #{Words.hold(dose[:hold_s])}, " \
        "#{Words.count(dose[:breaths], "breath")} between them"
      end

      private

      def starting_dose(measures) = {hold_s: share_of_best(measures, 2 / 5r), breaths: 6, rounds: 6}

      def round(line, dose, round)
        line.within(phase: :rest) do
          if round > 1
            release(line, dose)
            line.breathe(
              dose[:breaths] * Parts::BREATH_S,
              breaths: dose[:breaths],
              cue: "Recovery breaths, as calm as they come"
            )
          end
          fill(line, dose)
        end
        line.hold(dose[:hold_s], phase: :work, cue: "Hold, full and soft")
      end
    end
  end
end
