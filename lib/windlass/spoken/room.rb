# frozen_string_literal: true

module Windlass
  module Spoken
    # Where something can be said without anything else being said: nothing spoken overlaps anything spoken.
    class Room
      # Between the end of one thing and the beginning of the next.
      APART_MS = 60

      def initialize
        @starts = []
        @ends = []
      end

      # @return [Boolean]
      def free?(from_ms, to_ms)
        index = @starts.bsearch_index { |start| start >= from_ms } || @starts.size
        (index.zero? || @ends[index - 1] + APART_MS <= from_ms) &&
          (index == @starts.size || to_ms + APART_MS <= @starts[index])
      end

      def take(from_ms, to_ms)
        index = @starts.bsearch_index { |start| start >= from_ms } || @starts.size
        @starts.insert(index, from_ms)
        @ends.insert(index, to_ms)
      end

      # @return [Numeric, nil] the first moment from one to another at which something so long can begin
      def first(from_ms, to_ms, lasts_ms)
        at = from_ms
        while at + lasts_ms <= to_ms
          return at if free?(at, at + lasts_ms)

          at = after(at, lasts_ms)
        end
      end

      private

      # The end of what stands in the way.
      def after(at, lasts_ms)
        index = @starts.bsearch_index { |start| start >= at } || @starts.size
        return @ends[index - 1] + APART_MS if index.positive? && @ends[index - 1] + APART_MS > at

        @ends[index] + APART_MS
      end
    end
  end
end
