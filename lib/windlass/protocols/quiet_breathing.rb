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

      # Parts of a breath through three zones.
      ZONES = {"belly" => "In by the nose: belly", "ribs" => "In: ribs", "chest" => "In: chest"}.freeze
      NARROW = {"none" => "nowhere", **ZONES.keys.to_h { |zone| [zone, "for the #{zone}"] }}.freeze

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
      detail :narrow_zone,
        "throat narrow, of three zones",
        choices: NARROW,
        usual: "none",
        telling: "the throat narrow %s"
      detail :middle_s, "a breath in the middle", :s, 3..24, step: 0.5, shapes: :breathing, unset: "as all others"

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
            told: TOLD[dose[:form]],
            middle_s: dose[:middle_s],
            zones: zones(dose)
          )
        end
      end

      def calls(dose) = SlowBreaths.calls(dose[:minutes])

      # @return [Boolean] the throat is narrowed in it
      def narrowed?(dose) = dose.to_h[:form] == "throat" || dose.to_h.fetch(:narrow_zone, "none") != "none"

      # Only where there are three zones one of them can be narrow; each takes a second at least, or nobody can follow.
      def faults(dose)
        found = super
        return found if found.any? || setting(dose, :narrow_zone) == "none"
        return {narrow_zone: "is for three zones only; allowed here: none"} unless dose[:form] == "three-zone"
        return found if quickest_in_s(dose) >= ZONES.size

        {
          narrow_zone: "is for breaths in of #{ZONES.size} s and more; the shortest here is " \
            "#{Words.seconds(quickest_in_s(dose).round(1))}"
        }
      end

      # A breath that is fitted to the minutes by more than this is said as it runs.
      FITTED_SHARE = 3 / 100r

      # @return [String] `33 breaths, in 3 s and out 6 s, 5 min`, `8 breaths, in 3.8 s and out 3.8 s, fitted to 1 min`
      def pattern_in_words(dose)
        asked_s = dose[:in_s] + dose[:out_s]
        lengths_ms = SlowBreaths.each_ms(dose[:minutes] * 60, asked_s, dose[:middle_s])
        fit = lengths_ms.first/1000r / Numbers.exact(asked_s)
        fitted = (fit - 1).abs > FITTED_SHARE
        in_s, out_s = %i[in_s out_s].map { |key| (Numbers.exact(dose[key]) * (fitted ? fit : 1)).to_f.round(1) }
        [
          Words.count(lengths_ms.size, "breath"),
          "in #{Words.seconds(in_s)} and out #{Words.seconds(out_s)}",
          Tempo.in_words(in_s + out_s, middle_in_words(dose, fit, fitted), "a breath", lengths_ms.size),
          "#{"fitted to " if fitted}#{Words.length(dose[:minutes] * 60)}"
        ].compact.join(", ")
      end

      private

      def quickest_in_s(dose)
        whole_s = dose[:in_s] + dose[:out_s]
        dose[:in_s] * [whole_s, dose[:middle_s] || whole_s].min / whole_s.to_f
      end

      def middle_in_words(dose, fit, fitted) =
        dose[:middle_s] && (Numbers.exact(dose[:middle_s]) * (fitted ? fit : 1)).to_f.round(1)

      # Told with the pattern already.
      def details_in_words(dose) = super(dose.except(:middle_s))

      # @return [Array<Array(String, Boolean, String)>, nil]
      def zones(dose)
        narrow = setting(dose, :narrow_zone)
        return if narrow == "none"

        ZONES.map { |zone, cue| [zone, zone == narrow, (zone == narrow) ? "#{cue}, the throat narrow" : cue] }
      end

      def starting_dose(_measures) = {in_s: 3, out_s: 6, minutes: 5}
    end
  end
end
