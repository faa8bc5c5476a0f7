# frozen_string_literal: true

module Windlass
  module Protocols
    # F8 in its long form, 4 : 16 : 8, for the advanced. Common practice, no source.
    class RatioDeep < Ratio
      about id: "ratio-deep",
        name: "Ratio breathing, long retention",
        known_as: "box metronome lock bandha root throat heartbeat pulse",
        place: 80,
        counted_aloud: %i[beats up],
        goal: :tolerance,
        column: :retention,
        places: %i[chair mat],
        also: "antara kumbhaka",
        needs: {control_pause_s: 20},
        paced: true,
        first_breath: :round,
        trains: "A retention four times as long as the breath in, and an exhale that stays even after it.",
        cautions: [
          "Run out of breath in the exhale: shorten the count. The first breath in after it is as calm as all others."
        ]

      parameters.concat(Ratio.parameters)
      @settling = Ratio.settling
      lever :rounds, step: 1, limit: 9
      lever :count_s, step: 0.1, limit: 1.2

      private

      def starting_dose(_measures) = {pattern: [4, 16, 8, 0].freeze, count_s: 0.8, rounds: 5}
    end
  end
end
