# frozen_string_literal: true

module Windlass
  module Protocols
    # F15, quiet breathing: no holds, belly-led, twice as long out as in. The fallback for everything else, and open to
    # everybody. Common practice, no source.
    class QuietBreathing < Protocol
      FORMS = {
        "belly" => ["In through the nose, belly first", "Out, slow and easy"],
        "throat" => [
          "In through the nose, the throat a little narrow",
          "Out through the nose, a soft sound in the throat"
        ],
        "three-zone" => ["In by the nose: belly, then ribs, then chest", "Out: chest, ribs, belly"]
      }.freeze

      # What the deck says of the breath in, where it is more than that.
      TOLD = {"throat" => "in, narrowed", "three-zone" => "belly, ribs, chest"}.freeze

      about id: "quiet-breathing",
        name: "Quiet breathing",
        known_as: "coherent slow resonance calm breathe-up",
        place: 30,
        goal: :calm,
        column: nil,
        places: %i[chair mat room],
        holds: false,
        halves: :minutes,
        paced: true,
        first_breath: :never,
        trains: "Slow, belly-led breathing: the way back from every hold, and always an allowed choice.",
        cautions: ["Whatever is comfortable: shorten the breath rather than strain for its length."]

      parameter :in_s, "in", :s, 2..8, step: 0.5, shapes: :breathing
      parameter :out_s, "out", :s, 2..16, step: 0.5, shapes: :breathing
      parameter :minutes, "minutes", :min, 1..30, step: 1
      parameter :form,
        "form",
        choices: {
          "belly" => "belly-led",
          "throat" => "throat-narrowed",
          "three-zone" => "three zones"
        },
        optional: true

      lever :minutes, step: 1, limit: 15

      def write(line, dose)
        line.within(phase: :work) do
          SlowBreaths.write(
            line,
            dose[:minutes] * 60,
            dose[:in_s],
            dose[:out_s],
            numbered: true,
            cues: FORMS.fetch(dose[:form] || "belly"),
            told: TOLD[dose[:form]]
          )
        end
      end

      def calls(dose) = SlowBreaths.calls(dose[:minutes])

      # @return [Boolean] the throat is narrowed in it
      def narrowed?(dose) = dose.to_h[:form] == "throat"

      # A breath that is fitted to the minutes by more than this is said as it runs.
      FITTED_SHARE = 3 / 100r

      # @return [String] `33 breaths, in 3 s and out 6 s, 5 min`, `8 breaths, in 3.8 s and out 3.8 s, fitted to 1 min`
      def pattern_in_words(dose)
        asked_s = dose[:in_s] + dose[:out_s]
        breaths = SlowBreaths.each_ms(dose[:minutes] * 60, asked_s).size
        fit = (dose[:minutes] * 60r / breaths) / Numbers.exact(asked_s)
        fitted = (fit - 1).abs > FITTED_SHARE
        in_s, out_s = %i[in_s out_s].map { |key| (Numbers.exact(dose[key]) * (fitted ? fit : 1)).to_f.round(1) }
        "#{Words.count(breaths, "breath")}, in #{Words.seconds(in_s)} and out #{Words.seconds(out_s)}, " \
          "#{"fitted to " if fitted}#{Words.length(dose[:minutes] * 60)}"
      end

      private

      def starting_dose(_measures) = {in_s: 3, out_s: 6, minutes: 5}
    end
  end
end
