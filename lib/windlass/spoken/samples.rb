# frozen_string_literal: true

module Windlass
  module Spoken
    # The words that ship, as sound for what is written to a file: one after the other in `words.ulaw`, in the order of
    # their names, each as long as the table says.
    module Samples
      FILE = File.expand_path("words.ulaw", __dir__)

      # @param ms [Integer]
      # @return [Integer] samples
      def self.size(ms) = (ms * Voices::RATE / 1000.0).ceil

      # @param lengths [Hash{String => Integer}] milliseconds, by name, in order
      # @return [Hash{String => Array(Integer, Integer)}] where each begins, and how many samples it has
      def self.places(lengths)
        from = 0
        lengths.transform_values { |ms| [from, size(ms)].tap { |_, size| from += size } }
      end

      PLACES = places(Clips::LENGTHS).freeze

      # @param name [String] of a clip that ships
      # @return [String] µ-law, {Voices::RATE} samples a second
      def self.of(name)
        from, size = PLACES.fetch(name)
        File.binread(FILE, size, from)
      end
    end
  end
end
