# frozen_string_literal: true

module Windlass
  module Log
    # What somebody may have meant.
    module Near
      # @param written [String]
      # @param known [Array<String>]
      # @return [String, nil] the one of them that is nearest, where one is near, or that has it in its name
      def self.of(written, known) =
        DidYouMean::SpellChecker.new(dictionary: known.uniq).correct(written).first ||
          known.find { |name| name.start_with?("#{written} ") } || known.find { |name| name.split.include?(written) }
    end
  end
end
