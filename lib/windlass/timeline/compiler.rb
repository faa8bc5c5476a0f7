# frozen_string_literal: true

module Windlass
  module Timeline
    # The pen with which a protocol writes its segments.
    #
    #   Compiler.compile { |line| line.breathe(120, phase: :settle); line.hold(5, round: 1) }
    class Compiler
      # @yieldparam [Compiler]
      # @return [Compiled]
      def self.compile
        pen = new
        yield pen
        Compiled.new(pen.segments)
      end

      attr_reader :segments

      def initialize
        @segments = []
      end

      # @param seconds [Numeric] brought to whole milliseconds
      # @param rate [Numeric] breaths a minute
      def breathe(seconds, rate: Physiology::RESTING_RATE, **details) = add(:breathe, seconds, rate: rate, **details)

      # @param to [Symbol] lung level
      def inhale(seconds, to:, **details) = add(:inhale, seconds, to: to, **details)

      def exhale(seconds, to:, **details) = add(:exhale, seconds, to: to, **details)

      def hold(seconds, **details) = add(:hold, seconds, **details)

      private

      def add(kind, seconds, **details)
        @segments << Segment.new(kind: kind, ms: (seconds * 1000).round, **details)
      end
    end
  end
end
