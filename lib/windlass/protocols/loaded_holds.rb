# frozen_string_literal: true

module Windlass
  module Protocols
    # F5, loaded holds with prone recovery. Common practice, no source; the effort: see {Physiology::Effort}.
    class LoadedHolds < Protocol
      about id: "loaded-holds",
        name: "Loaded holds",
        known_as: "push-up press-up plank strength surf surfer rescue wave exercise",
        place: 140,
        counted_aloud: %i[breaths down],
        goal: :recovery,
        column: :loaded,
        places: %i[ground],
        disciplines: WAVES + ["combat sport"],
        needs: {maximal_hold_s: 40},
        shortest_hold_s: 5,
        hold_key: :hold_s,
        clean_sessions: 3,
        strenuous: true,
        once_a_day: true,
        opt_in: true,
        with_workouts: true,
        trains: "From hard effort straight to calm: a work set, a hold in a plank, a few slow breaths, and on.",
        cautions: [
          "Dry, soft ground only, with somebody beside. Many schools never hold the breath under effort: it is for " \
            "those whose sport asks for it."
        ]

      parameter :repetitions, "press-ups", :repetitions, 5..20, step: 1, shapes: :effort
      parameter :hold_s, "hold", :s, 5..60, step: 5, shapes: :hold
      parameter :breaths, "recovery breaths", :breaths, 1..12, step: 1, shapes: :rest
      parameter :rounds, "rounds", :rounds, 2..8, step: 1

      settles 60, cue: "Stand or kneel, and breathe easily"
      detail :repetition_s, "a press-up", :s, 1..5, step: 0.5, shapes: :effort, usual: 2
      detail :fill_s, "big breath in", :s, 1..10, step: 0.5, shapes: :breathing, usual: 2
      detail :out_s, "breath out", :s, 1..10, step: 0.5, shapes: :breathing, usual: 2

      lever :hold_s,
        step: 5,
        limit: ->(measures) { [20, Numbers.down_to_multiple(measures.maximal_hold_s * 3/10r, 5)].min },
        limit_words: "30 % of the maximal hold, at most 20 s"
      lever :breaths, step: -1, harder: :down, limit: 3
      lever :rounds, step: 1, limit: 8
      lever :repetitions, step: 2, limit: 16

      def write(line, dose)
        settle(line, dose)
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # What may come with every workout: short holds, and breaths enough after them. Common practice, no source.
      DAILY_HOLD_S = 20
      DAILY_SHARE = 3 / 10r
      DAILY_BREATHS = 3

      def daily?(dose, measures)
        best_s = measures&.maximal_hold_s
        return false if best_s.nil? || dose.to_h.values_at(:hold_s, :breaths).any?(&:nil?)

        longest_hold_s(dose) <= [DAILY_HOLD_S, best_s * DAILY_SHARE].min && dose[:breaths] >= DAILY_BREATHS
      end

      # @return [String] `4 rounds: 10 press-ups, hold 10 s, 5 breaths`
      def pattern_in_words(dose)
        "#{Words.count(dose[:rounds], "round")}: #{Words.count(dose[:repetitions], "press-up")}, hold " \
        "#{Words.hold(dose[:hold_s])}, " \
          "#{Words.count(dose[:breaths], "breath")}"
      end

      private

      def starting_dose(_measures) = {repetitions: 10, hold_s: 10, breaths: 5, rounds: 4}

      def round(line, dose)
        effort = Physiology::Effort
        line.within(phase: :work) do
          line.breathe(
            dose[:repetitions] * setting(dose, :repetition_s),
            rate: effort::RATES.fetch(:vigorous),
            mets: effort::METS.fetch(:vigorous),
            repetitions: dose[:repetitions],
            told: "press-ups",
            cue: "Press-ups, breathing on"
          )
          line.inhale(setting(dose, :fill_s), to: :big, mets: effort::METS.fetch(:moderate), cue: "A big breath in")
          line.hold(dose[:hold_s], mets: effort::METS.fetch(:moderate), told: "plank", cue: "Hold in a plank")
        end
        line.within(phase: :rest) do
          line.exhale(setting(dose, :out_s), to: :passive, told: "face down", cue: "Out, and lie face down")
          line.breathe(
            dose[:breaths] * Parts::BREATH_S,
            breaths: dose[:breaths],
            told: "belly breaths",
            cue: "Slow belly breaths, hands on the head"
          )
        end
      end
    end
  end
end
