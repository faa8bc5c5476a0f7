# frozen_string_literal: true

module Windlass
  module Protocols
    # F11, bellows rounds: equal strong nose breaths at three gears, then a full hold. Common practice, no source.
    class Bellows < Protocol
      # Seconds of a breath in each gear: the base pace, twice, three times as fast.
      GEARS_S = [3/2r, 3/4r, 1/2r].freeze
      GEAR_WORDS = ["first gear", "second gear", "third gear"].freeze
      REST_S = 30

      about id: "bellows", name: "Bellows rounds", also: "bhastrika", goal: :tolerance, column: :over, places: %i[chair],
        over_breathing: true, hold_key: :hold_s,
        trains: "Strong, even nose breathing that changes gear, and stillness right after it.",
        cautions: ["Seated, dry. Light-headed: slower and softer, or stop. No water for 12 hours after it."]

      parameter :gear_s, "each gear", :s, 5..30, step: 5, shapes: :breathing
      parameter :hold_s, "hold", :s, 5..60, step: 5, shapes: :hold
      parameter :rounds, "rounds", :rounds, 1..4, step: 1

      lever :rounds, step: 1, limit: 3
      lever :hold_s, step: 5, limit: 40
      lever :gear_s, step: 5, limit: 20

      def write(line, dose)
        line.breathe(60, phase: :settle, cue: "Sit, and breathe easily")
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose) } }
      end

      # @return [String] `2 rounds, three gears of 15 s, hold 15 s`
      def in_words(dose)
        "#{Words.count(dose[:rounds], "round")}, three gears of #{Words.seconds(dose[:gear_s])}, hold #{Words.seconds(dose[:hold_s])}"
      end

      private

      def starting_dose(_measures) = {gear_s: 15, hold_s: 15, rounds: 2}

      def round(line, dose)
        line.within(phase: :work, route: :nose) do
          GEARS_S.zip(GEAR_WORDS) { |breath_s, words| gear(line, dose[:gear_s], breath_s, words) }
          line.inhale(4, to: :full, cue: "One full breath in")
          line.hold(dose[:hold_s], cue: "Hold, full and still")
        end
        line.within(phase: :rest) do
          line.exhale(4, to: :passive, cue: "Out, slowly")
          line.breathe(REST_S - 4, cue: "Breathe naturally")
        end
      end

      # Whole breaths, equal in and out, that fill the gear.
      def gear(line, seconds, breath_s, words)
        breaths = (seconds / breath_s).round
        half_s = seconds.to_r / breaths / 2
        breaths.times do |number|
          line.inhale(half_s, to: :easy, cue: "In, #{words}: #{breaths - number} to go")
          line.exhale(half_s, to: :passive, cue: "Out, #{words}")
        end
      end
    end
  end
end
