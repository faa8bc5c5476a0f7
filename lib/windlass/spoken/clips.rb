# frozen_string_literal: true

require "digest"
require "json"

module Windlass
  module Spoken
    # Small sounds that ship: one a word, or one a phrase where that sounds better. How long each is stands in a table
    # beside the code, which `bin/voice` writes as it renders them.
    module Clips
      NUMBERS = {
        1 => "one", 2 => "two", 3 => "three", 4 => "four", 5 => "five", 6 => "six", 7 => "seven", 8 => "eight",
        9 => "nine", 10 => "ten", 11 => "eleven", 12 => "twelve", 13 => "thirteen", 14 => "fourteen", 15 => "fifteen",
        16 => "sixteen", 17 => "seventeen", 18 => "eighteen", 19 => "nineteen"
      }.freeze
      TENS = {
        2 => "twenty", 3 => "thirty", 4 => "forty", 5 => "fifty", 6 => "sixty", 7 => "seventy", 8 => "eighty",
        9 => "ninety"
      }.freeze
      # Beyond it only whole tens are said.
      MOST_SINGLE = 60
      MOST = 300

      # @param number [Integer]
      # @return [String, nil] `sixteen`; nil where it is not said
      def self.number(number)
        return if !number.between?(1, MOST) || (number > MOST_SINGLE && number % 10 != 0)

        hundreds, rest = number.divmod(100)
        [("#{NUMBERS[hundreds]} hundred" if hundreds.positive?), (tens(rest) if rest.positive?)].compact.join(" ")
      end

      def self.tens(number)
        return NUMBERS[number] if number < 20

        ten, one = number.divmod(10)
        [TENS[ten], NUMBERS[one]].compact.join(" ")
      end
      private_class_method :tens

      # Words of their own.
      WORDS = %w[
        in out hold breathe wait go full empty left right nose mouth narrowed open root throat abdominal keep belly
        chest back ribs breaths collarbones and hiss blow shh sing plank round block of for last double triple half
        complete short big fully medium recovery sniff both all locks audible
        stop single quicker slower
      ].freeze
      # What sounds better in one.
      PHRASES = [
        "in left", "in right", "out left", "out right", "hold full", "hold empty", "both sides", "hand down",
        "face down", "let go", "half out", "complete out", "short out", "big breath", "full breath", "medium breath",
        "recovery breath", "on top", "soft shh", "loud shh", "slide down", "ribs wide", "last round", "last one",
        "press-ups", "shoulders loose", "let go soon", "last minute", "two more minutes", "let the lock go",
        "too tight let a little out", "sniff in", "walk hold"
      ].freeze
      # How the synthesiser is to say what is written otherwise.
      SOUNDS = {
        "shh" => "[[S::]]", "nose" => "by the nose", "mouth" => "by the mouth", "press-ups" => "press ups",
        "complete out" => "complete, out", "too tight let a little out" => "too tight: let a little out",
        "soft shh" => "soft [[S::]]", "loud shh" => "loud [[S::]]"
      }.freeze
      # Families, for a session of several.
      FAMILIES = Protocols::ALL.map { |one| one.name.downcase.delete(",") }.freeze
      # The letter of a lane, where several are led at once.
      LETTERS = Squad::LETTERS.map { |letter| "lane #{letter.downcase}" }.freeze

      # How long a sound is to last, one beat before it.
      LASTING = (4..48).map { |beats| "for #{number(beats)}" }.freeze

      ALL = [*WORDS, *PHRASES, *LASTING, *(1..MOST).filter_map { |one| number(one) }, *FAMILIES, *LETTERS].uniq.freeze

      FOLDER = File.expand_path("../../../data/voice", __dir__)
      # Milliseconds of each, by its file's name.
      LENGTHS = JSON.parse(File.read(File.expand_path("lengths.json", __dir__))).freeze
      # Between two of them.
      BETWEEN_MS = 40
      # What only a browser can speak.
      A_LETTER_MS = 75
      LONGEST_PHRASE = 6
      OWN = "coach-"

      # @param text [String]
      # @return [String] name of its file, which may or may not be there
      def self.name(text) = text.downcase.tr(" ", "-")

      # @param text [String] `hold, full; root`
      # @param own [Hash{String => Integer}] own words that are rendered, and their milliseconds
      # @return [Array<String>, nil] names of files, in order; nil where one is not there
      def self.of(text, own = {})
        return [own_name(text)] if own.key?(text)

        words = text.downcase.delete(",;:.").split
        names = []
        until words.empty?
          size =
            [LONGEST_PHRASE, words.size].min.downto(1).find { |count| LENGTHS.key?(words.first(count).join("-")) } or
            return
          names << words.shift(size).join("-")
        end
        names
      end

      # Of a coach's own words: it tells nobody what they are.
      # @return [String]
      def self.own_name(text) = "#{OWN}#{Digest::SHA256.hexdigest(text)[0, 16]}"

      # @param own [Hash{String => Integer}] own words that are rendered, and their milliseconds
      # @return [Integer] milliseconds that it takes to say
      def self.ms(text, own = {})
        return own[text] if own.key?(text)

        names = of(text)
        return text.length * A_LETTER_MS unless names

        names.sum { |one| LENGTHS.fetch(one) } + (names.size - 1) * BETWEEN_MS
      end
    end
  end
end
