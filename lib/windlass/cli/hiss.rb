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
        Formats::HissLevels.read(text).to_h
      end
    end
  end
end
