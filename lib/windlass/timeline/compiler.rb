# frozen_string_literal: true

module Windlass
  module Timeline
    # The pen with which a protocol writes its segments. Lengths are exact: what a part loses by being brought to whole
    # milliseconds the next one gets, so that the parts sum to the whole.
    #
    #   Compiler.compile { |line| line.breathe(120, phase: :settle); line.within(round: 1) { line.hold(5) } }
    class Compiler
      # @param before [Array<Segment>] what came before
      # @yieldparam [Compiler]
      # @return [Compiled]
      def self.compile(before: [])
        pen = new
        yield pen
        Compiled.new(pen.segments, before: before)
      end

      attr_reader :segments

      def initialize
        @segments = []
        @details = {}
        @exact_ms = 0r
        @placed_ms = 0
      end

      # What all segments written inside have: round, cycle, phase, effort.
      def within(**details)
        outer = @details
        @details = outer.merge(details)
        yield
      ensure
        @details = outer
      end

      # @param seconds [Numeric]
      # @param rate [Numeric] breaths a minute
      def breathe(seconds, rate: Physiology::RESTING_RATE, **details) = add(:breathe, seconds, rate: rate, **details)

      # @param to [Symbol] lung level
      def inhale(seconds, to:, **details) = add(:inhale, seconds, to: to, **details)

      def exhale(seconds, to:, **details) = add(:exhale, seconds, to: to, **details)

      def hold(seconds, **details) = add(:hold, seconds, **details)

      private

      # Nothing is written of a part without length: a count of 0.
      def add(kind, seconds, **details)
        return if seconds.zero?

        @exact_ms += seconds.rationalize(1 / 1_000_000r) * 1000
        ms = @exact_ms.round - @placed_ms
        @placed_ms += ms
        @segments << Segment.new(kind: kind, ms: ms, **@details, **details)
      end
    end
  end
end
