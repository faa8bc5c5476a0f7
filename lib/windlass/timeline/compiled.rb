# frozen_string_literal: true

module Windlass
  module Timeline
    # A session from its first second to its last: segments with the moments at which they start. Frozen.
    class Compiled
      Placed = Value.define(:segment, :start_ms, :number) do
        def end_ms = start_ms + segment.ms
      end

      attr_reader :segments, :placed, :total_ms

      # @param segments [Array<Segment>]
      def initialize(segments)
        @segments = segments.dup.freeze
        @total_ms = @segments.sum(&:ms)
        @placed = place.freeze
        freeze
      end

      # @return [Array<Placed>] the holds; `number` counts them from 1
      def holds = placed.select { |place| place.segment.hold? }

      # At one's own pace: all holds end at comfort, and the whole ends at its time, on a breath.
      def own_pace? = holds.any? && holds.all? { |place| place.segment.until == :comfort }

      def hold_ms = holds.sum { |place| place.segment.ms }

      private

      def place
        at = count = 0
        segments.map do |segment|
          count += 1 if segment.hold?
          Placed.new(segment: segment, start_ms: at, number: segment.hold? ? count : nil).tap { at += segment.ms }
        end
      end
    end
  end
end
