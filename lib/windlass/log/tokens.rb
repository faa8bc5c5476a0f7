# frozen_string_literal: true

module Windlass
  module Log
    # A note in words. Blanks, semicolons and commas part them; a comma between two digits is a decimal comma.
    module Tokens
      WORD = /(?:[^\s;,]|(?<=\d),(?=\d))+/

      # @param text [String]
      # @return [Array<Word>]
      def self.of(text)
        text
          .to_enum(:scan, WORD)
          .map { Regexp.last_match }
          .map { |found| Word.new(text: found[0].downcase, written: found[0], column: found.begin(0) + 1) }
      end
    end
  end
end
