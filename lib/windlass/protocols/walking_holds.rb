# frozen_string_literal: true

module Windlass
  module Protocols
    # F18, walking holds: steps on a passive exhale. Logged, not laddered. Common practice, no source.
    class WalkingHolds < Protocol
      STEP_S = 0.6r

      about id: "walking-holds",
        name: "Walking holds",
        known_as: "steps walk apnea apnoea surf dive",
        place: 150,
        counted_aloud: %i[breaths up],
        goal: :recovery,
        column: :tables,
        places: %i[ground],
        disciplines: APNOEA + WAVES,
        trains: "Moving calmly after a breath out: so many steps without breathing, then recover.",
        cautions: ["Flat ground, soft surroundings, somebody beside. Stop walking as soon as it is not steady."]

      parameter :steps, "steps", :steps, 10..40, step: 2, shapes: :hold
      parameter :rounds, "rounds", :rounds, 1..10, step: 1
      settles 60, cue: "Walk slowly, and breathe easily"
      rests 60, 10..600

      def write(line, dose)
        settle(line, dose)
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # @return [String] `4 times 10 steps on a passive breath out`
      def pattern_in_words(dose) =
        "#{Words.count(dose[:rounds], "time")} #{Words.count(dose[:steps], "step")} on a passive breath out"

      private

      def starting_dose(_measures) = {steps: 10, rounds: 4}

      def round(line, dose)
        effort = Physiology::Effort
        line.within(phase: :work, mets: effort::METS.fetch(:walking)) do
          line.exhale(3, to: :passive, cue: "A passive breath out")
          line.hold(dose[:steps] * STEP_S, repetitions: dose[:steps], told: "walk hold", cue: "Walk, holding")
        end
        line.within(phase: :rest) { rest(line, dose, "Stand, and breathe naturally") }
      end
    end
  end
end
