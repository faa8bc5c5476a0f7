# frozen_string_literal: true

module Windlass
  module Formats
    # Levels of a microphone as they come from outside.
    module HissLevels
      STEP_S = 0.05

      # @param text [String] JSON: tempo, levels_db, step_s
      # @return [Measures::HissReading]
      # @raise [InvalidInput]
      def self.read(text)
        data = JsonInput.of("hiss.schema.json").read(text)
        Measures::HissReading.of(
          data.fetch("levels_db"),
          step_s: data.fetch("step_s", STEP_S),
          tempo: data.fetch("tempo")
        )
      end
    end
  end
end
