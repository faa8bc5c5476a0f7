# frozen_string_literal: true

module Windlass
  module Protocols
    # A tempo that goes evenly to the middle of a stretch, and back: slow, quick, slow; or the other way round. Common
    # practice, no source.
    module Tempo
      # Fewer have no middle.
      WITH_A_MIDDLE = 3

      # @param count [Integer] of breaths, or of rounds of breaths
      # @param middle [Numeric] what the one in the middle takes, of what the first takes
      # @return [Array<Rational>] what each takes, of what the first takes
      def self.shares(count, middle)
        return [1r] * count if count < WITH_A_MIDDLE

        steps = (count - 1) / 2
        Array.new(count) { |place| 1 + (Numbers.exact(middle) - 1) * Rational([place, count - 1 - place].min, steps) }
      end

      # @param first [Numeric] seconds
      # @param middle [Numeric, nil] seconds; nil: the tempo is even
      # @param what [String] `a breath`, `a count`
      # @param count [Integer] of breaths, or of rounds of breaths
      # @return [String, nil] `quicker to 5 s a breath in the middle, and back`; nil where nothing changes
      def self.in_words(first, middle, what, count)
        return if middle.nil? || middle == first || count < WITH_A_MIDDLE

        "#{(middle < first) ? "quicker" : "slower"} to #{Words.seconds(middle)} #{what} in the middle, and back"
      end
    end
  end
end
