# frozen_string_literal: true

module Windlass
  module Protocols
    # F2, carbon-dioxide table: the same hold, ever shorter rests. Common practice, no source.
    class Co2Table < Protocol
      include Table

      about id: "co2-table",
        name: "Carbon-dioxide table",
        known_as: "CO2 dive diver freediving static tolerance rests",
        place: 100,
        counted_aloud: %i[seconds up],
        goal: :tolerance,
        column: :tables,
        places: %i[chair mat],
        disciplines: APNOEA + WAVES,
        needs: {maximal_hold_s: 40},
        shortest_hold_s: 5,
        hold_key: :hold_s,
        once_a_day: true,
        days_running: 2,
        trains: "Staying soft while carbon dioxide rises: the same hold again and again, with less and less rest.",
        cautions: [
          "Dry only, seated or lying. Breathe naturally in the rests: deep breathing there takes away the warning."
        ]

      parameter :hold_s, "hold", :s, 5..300, step: 5, shapes: :hold
      parameter :first_rest_s, "first rest", :s, 15..300, step: 5, shapes: :rest
      parameter :rest_step_s, "each rest shorter by", :s, 0..60, step: 5, shapes: :rest
      parameter :rest_floor_s, "shortest rest", :s, 15..120, step: 5, shapes: :rest
      parameter :rounds, "rounds", :rounds, 1..12, step: 1

      lever :first_rest_s, step: -10, harder: :down, limit: 60
      lever :hold_s,
        step: 5,
        limit: ->(measures) { Numbers.down_to_multiple(measures.maximal_hold_s * 3/5r, 5) },
        limit_words: "60 % of the maximal hold"
      lever :rounds, step: 1, limit: 8

      def write(line, dose) = table(line, dose, rests_s(dose), [dose[:hold_s]] * dose[:rounds])

      # @return [String] `6 holds of 1:00, rests from 2:00 down to 0:45`
      def pattern_in_words(dose)
        rests = rests_s(dose)
        "#{Words.count(dose[:rounds], "hold")} of #{Words.hold(dose[:hold_s])}, rests from " \
        "#{Words.clock(rests.first)} down to #{Words.clock(rests.last)}"
      end

      private

      def starting_dose(measures)
        {hold_s: share_of_best(measures, 1 / 2r), first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 6}
      end

      # A first rest under the floor stays as it is.
      def rests_s(dose)
        floor = [dose[:rest_floor_s], dose[:first_rest_s]].min
        Array.new(dose[:rounds]) { |round| [dose[:first_rest_s] - round * dose[:rest_step_s], floor].max }
      end
    end
  end
end
