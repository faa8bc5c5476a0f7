# frozen_string_literal: true

module Windlass
  module Protocols
    # What drills of the breathing movement have in common: slow breaths in a position, for some minutes, and no hold.
    # Open to everybody: they are what comes first where the movement is at fault. Common practice, no source.
    module Drill
      POSITIONS = {
        "supine" => "on the back, knees bent, a hand on belly and chest",
        "prone" => "face down, hands under the forehead"
      }.freeze
      FACTS = {
        goal: :calm,
        column: nil,
        places: %i[mat],
        holds: false,
        halves: :minutes,
        paced: true,
        first_breath: :never,
        posture: :lying
      }.freeze

      # What every drill is set by.
      # @param cues [Hash{String => Array(String, String, String)}] in and out, and what is said of the breath in, by
      #   what is drilled
      # @param choices [Hash{String => String}] what may be drilled
      def drills(cues, choices)
        @cues = cues.freeze
        parameter :in_s, "in", :s, 2..8, step: 0.5, shapes: :breathing
        parameter :out_s, "out", :s, 2..16, step: 0.5, shapes: :breathing
        parameter :minutes, "minutes", :min, 1..15, step: 1
        parameter :zone, "what moves", choices: choices, usual: choices.keys.first
        parameter :position, "position", choices: POSITIONS, usual: "supine"
        lever :minutes, step: 1, limit: 10
        include Written
      end

      attr_reader :cues

      # How a drill is written.
      module Written
        def write(line, dose)
          line.within(phase: :work) do
            SlowBreaths.write(
              line,
              dose[:minutes] * 60,
              dose[:in_s],
              dose[:out_s],
              numbered: true,
              cues: self.class.cues.fetch(setting(dose, :zone)).first(2),
              told: self.class.cues.fetch(setting(dose, :zone))[2]
            )
          end
        end

        # Face down is said at once; on the back one lies anyhow.
        def calls(dose) =
          ((setting(dose, :position) == "prone") ? [[0, "Face down"]] : []) + SlowBreaths.calls(dose[:minutes])

        # @return [String] `5 min, belly with the chest kept, on the back, in 3 s and out 5 s`
        def pattern_in_words(dose)
          zone, position =
            %i[zone position].map { |key| parameters.find { |one| one.key == key }.in_words(setting(dose, key)) }
          "#{Words.length(dose[:minutes] * 60)}, #{zone}, #{position}, in #{Words.seconds(dose[:in_s])} and out " \
          "#{Words.seconds(dose[:out_s])}"
        end

        private

        def starting_dose(_measures) = {in_s: 3, out_s: 5, minutes: 3}
      end
    end
  end
end
