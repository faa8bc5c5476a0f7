# frozen_string_literal: true

module Windlass
  module Measures
    # Hold after a complete, easy breath out. Common practice, no source.
    class EmptyHold < Kind
      include HeldToTheEnd

      about id: "empty_hold",
        name: "Empty hold",
        place: 20,
        unit: "s",
        value: :seconds,
        clock: :stopwatch,
        steps: [
          "Dry, seated or lying.",
          "A complete, easy breath out, nothing forced, and pinch the nose.",
          "Hold while it stays easy. Mark the first urge."
        ],
        cautions: ["There is less reserve than after a full breath: stop sooner."]

      field :seconds, "Held", unit: "s", range: (1..300)
      field :first_urge_s, "First urge", unit: "s", range: (0..300), optional: true, mark: "U"
      field :first_breath,
        "The first breath after it was",
        choices: {
          "smooth" => "smooth",
          "deeper" => "deeper",
          "gasp" => "a gasp"
        }
      field :eventful, "Afterwards", choices: AFTERWARDS

      def activity = Progression::EMPTY_TEST

      private

      def headline(taken) = "#{Words.hold(taken.value)} after a breath out."

      def sentences(taken, context)
        best = context.maximal_hold_s
        [
          ("#{(taken.value * 100.0 / best).round} % of the maximal hold." if best && taken.value < best),
          ("Longer than the maximal hold: an empty hold never is. Take both again." if best && taken.value >= best),
          ("The first breath was a gasp: held too long." if taken.details[:first_breath] == "gasp"),
          afterwards(taken)
        ]
      end
    end
  end
end
