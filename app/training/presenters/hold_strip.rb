# frozen_string_literal: true

module Windlass
  module Presenters
    # The holds of a session as strokes on a strip, so high as they were long; a gasp has a stroke above it. Small
    # enough for a row.
    class HoldStrip
      WIDTH = 110
      HEIGHT = 26
      FOOT = 24
      TOP = 7
      MOST_STEP = 7.0

      # @param rounds [Array<#held_ms, #first_breath>] in order
      def initialize(rounds)
        @held = rounds.select { |round| round.held_ms.to_i > 0 }
        longest = @held.map(&:held_ms).max || 1
        step = [(WIDTH - 4.0) / [@held.size, 1].max, MOST_STEP].min
        @places =
          @held.each_with_index.map do |round, index|
            [
              (WIDTH - 3 - step * (@held.size - 1 - index)).round(1),
              (FOOT - (FOOT - TOP) * round.held_ms.to_f / longest).round(1),
              round.first_breath
            ]
          end
      end

      def empty? = @held.empty?

      # @return [String] an SVG path
      def strokes = @places.map { |x, y, _| "M#{x} #{FOOT}V#{y}" }.join

      # @return [String] an SVG path
      def gasps =
        @places.select { |_, _, breath| breath == "gasp" }.map { |x, _, _| "M#{(x - 2).round(1)} 1l4 4m0 -4l-4 4" }.join
    end
  end
end
