# frozen_string_literal: true

module Windlass
  module Protocols
    # F3, oxygen table: the same rest, ever longer holds. Common practice, no source.
    class O2Table < Protocol
      include Table

      about id: "o2-table",
        name: "Oxygen table",
        known_as: "O2 dive diver freediving static hypoxic",
        place: 120,
        counted_aloud: %i[seconds up],
        goal: :oxygen,
        column: :tables,
        places: %i[chair mat],
        disciplines: APNOEA,
        needs: {maximal_hold_s: 40},
        shortest_hold_s: 5,
        hold_key: :top_hold_s,
        clean_sessions: 3,
        strenuous: true,
        once_a_day: true,
        watched: true,
        trains: "Long holds with oxygen running lower: each hold is a little longer, the rest stays.",
        cautions: [
          "Strenuous: two days apart from other hard work. Dry only, and never without somebody who watches."
        ]

      parameter :first_hold_s, "first hold", :s, 5..300, step: 5, shapes: :hold
      parameter :top_hold_s, "last hold", :s, 5..360, step: 5, shapes: :hold
      parameter :rest_s, "rest", :s, 30..300, step: 5, shapes: :rest
      parameter :rounds, "rounds", :rounds, 1..12, step: 1

      detail :rest_breaths, "rest, in breaths", :breaths, 1..12, step: 1, shapes: :rest, telling: "rest of %s"

      lever :top_hold_s,
        step: 5,
        limit: ->(measures) { Numbers.down_to_multiple(measures.maximal_hold_s * 4/5r, 5) },
        limit_words: "80 % of the maximal hold"
      lever :rounds, step: 1, limit: 8

      def write(line, dose) = table(line, dose, [dose[:rest_s]] * dose[:rounds], holds_s(dose))

      # @return [String] `6 holds from 0:45 to 1:10, 2:00 of rest`
      def pattern_in_words(dose)
        "#{Words.count(dose[:rounds], "hold")} from #{Words.hold(dose[:first_hold_s])} to " \
        "#{Words.hold(dose[:top_hold_s])}, " \
          "#{Words.clock(dose[:rest_s])} of rest"
      end

      private

      def starting_dose(measures)
        {
          first_hold_s: share_of_best(measures, 2 / 5r),
          top_hold_s: share_of_best(measures, 3 / 5r),
          rest_s: 120,
          rounds: 6
        }
      end

      # Even steps, each hold to the nearest second; the last is the top exactly.
      def holds_s(dose)
        return [dose[:top_hold_s]] if dose[:rounds] == 1

        step = Rational(dose[:top_hold_s] - dose[:first_hold_s]) / (dose[:rounds] - 1)
        Array.new(dose[:rounds] - 1) { |round| (dose[:first_hold_s] + round * step).round } + [dose[:top_hold_s]]
      end
    end
  end
end
