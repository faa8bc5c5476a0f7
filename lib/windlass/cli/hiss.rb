# frozen_string_literal: true

module Windlass
  module Cli
    # `hiss [FILE]`: levels of a microphone in, the hiss out; all null where there is none.
    module Hiss
      NAME = "hiss"
      USAGE = "hiss [FILE]"
      OPTIONS = [].freeze
      READS = true

      # @param text [String] JSON
      # @return [Hash] onset_s, end_s, seconds, beats, evenness_db, flickers, drift_db_s
      # @raise [InvalidInput]
      def self.call(text, _options)
        data = Formats::JsonInput.of("hiss.schema.json").read(text)
        Measures::HissReading.of(data.fetch("levels_db"), step_s: data.fetch("step_s", 0.05), tempo: data.fetch("tempo")).to_h
      end
    end
  end
end
