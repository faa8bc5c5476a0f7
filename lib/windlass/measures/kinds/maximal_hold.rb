# frozen_string_literal: true

module Windlass
  module Measures
    # Maximal inspiratory hold, dry. Bands: common practice, no source.
    class MaximalHold < Kind
      include HeldToTheEnd

      LOW_S = 35
      WANTED_S = 60
      # Within this share of it after the first contraction a hold was mostly struggle.
      LONG_STRUGGLE = 0.5

      about id: "maximal_hold",
        name: "Maximal hold",
        place: 10,
        unit: "s",
        value: :seconds,
        clock: :stopwatch,
        steps: [
          "Dry, seated or lying, with somebody beside who watches.",
          "A deep breath in, out, a deep breath in, and pinch the nose.",
          "Hold as long as possible, timed from the full breath. Mark the first urge and the first contraction as " \
          "they pass."
        ],
        cautions: ["At most one a week, never in water, and never as the first thing after weeks off."]

      field :seconds, "Held", unit: "s", range: (5..720)
      field :first_urge_s, "First urge", unit: "s", range: (0..720), optional: true, mark: "U"
      field :contraction_s, "First contraction", unit: "s", range: (0..720), optional: true, mark: "C"
      field :first_breath,
        "The first breath after it was",
        choices: {
          "smooth" => "smooth",
          "deeper" => "deeper",
          "gasp" => "a gasp"
        }
      field :eventful, "Afterwards", choices: AFTERWARDS
      field :watcher, "Who watched"

      def activity = Progression::MAXIMAL_TEST

      def value_words(value) = Words.hold(value)

      # @return [Float, nil] share of the hold after the first contraction
      def struggle(taken)
        contraction = taken.details[:contraction_s]
        (taken.value - contraction) / taken.value.to_f if contraction && contraction < taken.value
      end

      private

      def headline(taken)
        words =
          if taken.value < LOW_S
            "something to look into"
          else
            (taken.value < WANTED_S) ? "room to improve" : "good for a healthy adult"
          end
        "#{Words.hold(taken.value)}: #{words}."
      end

      def sentences(taken, _context)
        [("Suggest a doctor, and no tables." if taken.value < LOW_S), struggle_words(taken), afterwards(taken)]
      end

      def struggle_words(taken)
        share = struggle(taken) or return
        "Struggle phase #{(share * 100).round} % of the hold, after the first contraction at " \
        "#{Words.hold(taken.details[:contraction_s])}" \
          "#{": reached by fighting, not by ease" if share > LONG_STRUGGLE}."
      end
    end
  end
end
