# frozen_string_literal: true

module Windlass
  module Protocols
    # F11, bellows rounds: equal strong nose breaths at three gears, then a full hold. Common practice, no source.
    class Bellows < Protocol
      # How much faster than the base pace each gear is.
      GEARS = {"first gear" => 1, "second gear" => 2, "third gear" => 3}.freeze
      PACE_S = 3 / 2r
      # How the gears follow each other.
      WAYS = {
        "up" => "up",
        "back" => "up and back down",
        "evenly" => "evenly quicker, and slower again"
      }.freeze
      FILL_S = 4
      OUT_S = 4
      BEGINS = {"in" => "on the breath in", "out" => "on the breath out"}.freeze

      about id: "bellows",
        name: "Bellows rounds",
        known_as: "fire lock gears quick",
        place: 170,
        counted_aloud: %i[gears down],
        also: "bhastrika",
        goal: :tolerance,
        column: :over,
        places: %i[chair],
        over_breathing: true,
        trains: "Strong, even nose breathing that changes gear, and stillness right after it.",
        cautions: ["Seated, dry. Light-headed: slower and softer, or stop. No water for 12 hours after it."]

      parameter :gear_s, "each gear", :s, 5..30, step: 5, shapes: :breathing
      parameter :hold_s, "hold", :s, 5..60, step: 5, shapes: :hold
      parameter :rounds, "rounds", :rounds, 1..4, step: 1
      settles 60, cue: "Sit, and breathe easily"
      detail :second_gear_s, "second gear", :s, 0..30, step: 5, shapes: :breathing
      detail :third_gear_s, "third gear", :s, 0..30, step: 5, shapes: :breathing
      detail :pace_s, "a breath in the first gear", :s, 1..3, step: 0.1, shapes: :breathing, usual: PACE_S
      detail :way, "the gears go", choices: WAYS, usual: "up"
      detail :begins, "begins", choices: BEGINS, usual: "in"
      detail :last_hold_s, "last hold", :s, 5..60, step: 5, shapes: :hold
      rests 30

      lever :rounds, step: 1, limit: 3
      lever :hold_s, step: 5, limit: 40
      lever :gear_s, step: 5, limit: 20

      def write(line, dose)
        settle(line, dose)
        (1..dose[:rounds]).each { |round| line.within(round: round) { round(line, dose, round) } }
      end

      def longest_hold_s(dose) =
        [dose[:hold_s], dose[:last_hold_s], *dose.fetch(:breaks, []).map { |one| one[:hold_s] }].compact.max

      # @return [String] `2 rounds, three gears of 15 s, hold 15 s`
      def pattern_in_words(dose)
        "#{Words.count(dose[:rounds], "round")}, #{gears_in_words(dose)}, hold #{Words.seconds(dose[:hold_s])}"
      end

      private

      def starting_dose(_measures) = {gear_s: 15, hold_s: 15, rounds: 2}

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:way))

      def gears_in_words(dose)
        gears = "three gears of #{Words.seconds(dose[:gear_s])}"
        return gears if setting(dose, :way) == "up"
        return "#{gears}, up and back down" if setting(dose, :way) == "back"

        pace = setting(dose, :pace_s)
        quickest = Words.seconds((Numbers.exact(pace) / GEARS.size).round(2).to_f)
        "#{Words.length(gears_s(dose).sum)} of breaths, from #{Words.seconds(pace)} each to #{quickest} and back"
      end

      def round(line, dose, number)
        line.within(phase: :work, route: :nose) do
          strokes_of(line, dose)
          line.inhale(FILL_S, to: :full, cue: "One full breath in by the nose")
          line.hold((number == dose[:rounds] && dose[:last_hold_s]) || dose[:hold_s], cue: "Hold, full and still")
        end
        line.within(phase: :rest) do
          line.exhale(OUT_S, to: :passive, cue: "Out, slowly")
          rest(line, dose, "Breathe naturally", taken_s: OUT_S)
        end
      end

      # A gear without seconds of its own takes as long as the first; one of 0 s is left out.
      def gears_s(dose) =
        [dose[:gear_s], *dose.values_at(:second_gear_s, :third_gear_s).map { |seconds| seconds || dose[:gear_s] }]

      # What the change into a gear is called by, and the turn of an even tempo.
      CALLED = {1 => "Single", 2 => "Double", 3 => "Triple"}.freeze
      TURNS = "Slower"
      private_constant :CALLED, :TURNS

      def strokes_of(line, dose)
        return evenly(line, dose) if setting(dose, :way) == "evenly"

        gears = GEARS.to_a.zip(gears_s(dose)).select { |_, seconds| seconds > 0 }
        gears += gears.reverse.drop(1) if setting(dose, :way) == "back"
        gears.each_with_index do |((words, faster), seconds), index|
          gear(line, dose, seconds, faster, words, first: index.zero?, last: index == gears.size - 1)
        end
      end

      # Whole breaths, equal in and out, that fill the gear. Of the last one the strokes are counted.
      def gear(line, dose, seconds, faster, words, first:, last:)
        breaths = (seconds / (setting(dose, :pace_s).to_r / faster)).round
        breaths.times do |number|
          call = CALLED[faster] if number.zero? && !first
          breath(line, dose, seconds.to_r / breaths, "#{words}: #{breaths - number} to go", words, call,
            ([number + 1, breaths].freeze if last))
        end
      end

      # From the first gear to the last and back, each breath a little shorter or longer than the one before.
      def evenly(line, dose)
        seconds = gears_s(dose).sum
        fastest = GEARS.values.max
        breaths = (seconds / (setting(dose, :pace_s).to_r * (1 + 1r / fastest) / 2)).round
        shares = Tempo.shares(breaths, 1r / fastest)
        turn = (breaths/2r).ceil
        shares.each_with_index do |share, number|
          words = (number < turn) ? "quicker" : "slower"
          breath(line, dose, seconds * share / shares.sum, "#{words}: #{breaths - number} to go", words,
            (TURNS if number == turn), [number + 1, breaths].freeze)
        end
      end

      def breath(line, dose, seconds, cue, words, call, counted)
        both = strokes(seconds / 2, cue, words, counted: counted)
        both.reverse! if setting(dose, :begins) == "out"
        line.within(**(call ? {calls: [[0, call].freeze].freeze} : {})) { both.first[line] }
        both.last[line]
      end

      def strokes(half_s, cue_in, cue_out, **out)
        [
          ->(line) { line.inhale(half_s, to: :easy, cue: "In by the nose, #{cue_in}") },
          ->(line) { line.exhale(half_s, to: :passive, cue: "Out by the nose, #{cue_out}", **out) }
        ]
      end
    end
  end
end
