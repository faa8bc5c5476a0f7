# frozen_string_literal: true

module Windlass
  module Protocols
    # F15, quiet breathing: no holds, belly-led, twice as long out as in. The fallback for everything else, and open to
    # everybody. Common practice, no source.
    class QuietBreathing < Protocol
      LONGEST_MINUTES = 15

      def id = "quiet-breathing"

      def name = "Quiet breathing"

      def column = nil

      def trains = "Slow, belly-led breathing: the way back from every hold, and always an allowed choice."

      def cautions
        ["Whatever is comfortable: shorten the breath rather than strain for its length."]
      end

      def needs = "nothing"

      def levers
        [Lever.new(key: :minutes, words: "minutes", step: 1, limit: ->(_) { LONGEST_MINUTES })]
      end

      def start(_measures) = {in_s: 3, out_s: 6, minutes: 5}.freeze

      def hold_key = nil

      def halved_key = :minutes

      # Whole breaths that fill the minutes to the millisecond; each is split as the dose says.
      def compile(dose)
        Timeline::Compiler.compile do |line|
          breaths_ms(dose).each.with_index(1) do |breath_ms, round|
            in_ms = breath_ms * dose[:in_s] / (dose[:in_s] + dose[:out_s])
            line.inhale(Rational(in_ms, 1000), to: :easy, round: round, phase: :work, route: :nose, cue: "In through the nose, belly first")
            line.exhale(Rational(breath_ms - in_ms, 1000), to: :passive, round: round, phase: :work, cue: "Out, slow and easy")
          end
        end
      end

      # @return [String] `33 breaths, in 3 s and out 6 s, 5 min`
      def in_words(dose)
        "#{Words.count(breaths_ms(dose).size, "breath")}, in #{Words.seconds(dose[:in_s])} and out " \
        "#{Words.seconds(dose[:out_s])}, #{Words.length(dose[:minutes] * 60)}"
      end

      private

      def breaths_ms(dose)
        total_ms = (dose[:minutes] * 60_000).round
        breaths = Rational(total_ms, (dose[:in_s] + dose[:out_s]) * 1000).round
        Timeline::Allocation.even(total_ms, breaths)
      end
    end
  end
end
