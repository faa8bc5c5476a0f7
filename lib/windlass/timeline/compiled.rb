# frozen_string_literal: true

module Windlass
  module Timeline
    # A session from its first second to its last: segments with the moments at which they start. Frozen.
    class Compiled
      Placed =
        Value.define(:segment, :start_ms, :number) do
          def ms = segment.ms

          def block = segment.block

          # Its hold ends by hand: nothing is owed but that it was done.
          def open? = segment.open?

          def end_ms = start_ms + ms
        end

      # A sounded exhale, in one part or in stages; `number` counts them from 1. beats is nil where none are counted.
      Sounded =
        Value.define(:segments, :start_ms, :number) do
          def ms = segments.sum(&:ms)

          def block = segments.first.block

          def open? = false

          def end_ms = start_ms + ms

          def beats = (segments.sum(&:beats) if segments.all?(&:beats))
        end

      attr_reader :segments, :placed, :total_ms

      # @return [Array<Segment>] what came before its first second: whoever comes in spent begins worked up
      attr_reader :before

      # @param segments [Array<Segment>]
      # @param before [Array<Segment>]
      def initialize(segments, before: [])
        @segments = segments.dup.freeze
        @before = before.dup.freeze
        @total_ms = @segments.sum(&:ms)
        @placed = place.freeze
        freeze
      end

      # @return [Compiled] other segments after the same beginning
      def with_segments(segments) = self.class.new(segments, before: before)

      # @return [Array<Placed>] the holds; `number` counts them from 1
      def holds = placed.select { |place| place.segment.hold? }

      # @return [Array<Sounded>] what is sung, hissed or blown for the work's sake, not as a rest
      def sounds
        runs =
          placed.slice_when do |one, other|
            !(
              sounded?(one) && sounded?(other) && one.segment.round == other.segment.round &&
                one.segment.block == other.segment.block
            )
          end
        runs
          .select { |run| sounded?(run.first) }
          .map
          .with_index(1) do |run, number|
            Sounded.new(segments: run.map(&:segment), start_ms: run.first.start_ms, number: number)
          end
      end

      # @param what [Symbol] :holds or :sounds, as the family is judged
      # @return [Array<Placed>, Array<Sounded>]
      def judged(what) = (what == :sounds) ? sounds : holds

      # At one's own pace: all holds end at comfort, and the whole ends at its time, on a breath.
      def own_pace? = segments.none?(&:block) && holds.any? && holds.all? { |place| place.segment.until == :comfort }

      # Where breathing goes at one's own pace, alone or as a block: parts from the first to the last, and how long it
      # is to take.
      Pace = Value.define(:first, :last, :ms)

      # @return [Array<Pace>]
      def paces
        runs =
          placed
            .each_index
            .reject { |index| segments[index].phase == :settle }
            .chunk_while { |one, other| other == one + 1 && segments[one].block == segments[other].block }
        runs
          .select { |run| at_comfort?(run) }
          .map { |run| Pace.new(first: run.first, last: run.last, ms: run.sum { |index| segments[index].ms }) }
      end

      # @param place [Placed] a hold
      # @return [Symbol] :full after a breath in, :empty after a breath out
      def lungs_at(place)
        index = placed.index(place)
        (segments[index - 1].kind == :inhale && index.positive?) ? :full : :empty
      end

      def hold_ms = holds.sum { |place| place.segment.ms }

      private

      def at_comfort?(run)
        holds = run.select { |index| segments[index].hold? }
        holds.any? && holds.all? { |index| segments[index].until == :comfort }
      end

      def sounded?(place) = place.segment.kind == :exhale && place.segment.sound && place.segment.phase == :work

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
