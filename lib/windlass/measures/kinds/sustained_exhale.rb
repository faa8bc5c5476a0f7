# frozen_string_literal: true

module Windlass
  module Measures
    # Longest steady hiss in beats. Common practice, no source: twelve on day one, forty a fine goal.
    class SustainedExhale < Kind
      DAY_ONE = 12
      GOAL = 40

      about id: "sustained_exhale",
        name: "Sustained exhale",
        place: 30,
        unit: "beats",
        value: :beats,
        clock: :beats,
        steps: [
          "Stand or sit tall, and set the tempo.",
          "In over four beats, which the clock counts down: belly, ribs, chest last.",
          "Hiss on a quiet, steady stream, the ribs wide. Stop when they drop or the stream flickers."
        ],
        cautions: ["If dizzy, rest and breathe gently."]

      field :tempo, "Tempo", unit: "beats a minute", range: (40..120)
      field :beats, "Hissed", unit: "beats", range: (1..120)
      field :width, "The ribs stayed wide", choices: {"yes" => "yes", "partly" => "partly", "no" => "no"}
      field :steady, "The stream was", choices: {"even" => "even", "flickering" => "flickering"}

      private

      def headline(taken) =
        "#{Words.count(Words.number(taken.value).to_f.to_i, "beat")} at #{Words.number(taken.details[:tempo])} a " \
        "minute, #{Words.seconds(taken.value * 60.0 / taken.details[:tempo])}."

      def sentences(taken, _context)
        [
          (
            if taken.value < DAY_ONE
              "Twelve is within most people's reach on day one: look at the breath in first."
            elsif taken.value >= GOAL
              "Forty and more is a fine goal, reached."
            end
          ),
          ("The ribs dropped: what counts is the length until they do." if taken.details[:width] != "yes"),
          ("The stream flickered: quieter, and shorter." if taken.details[:steady] == "flickering")
        ]
      end
    end
  end
end
