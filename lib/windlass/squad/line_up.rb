# frozen_string_literal: true

module Windlass
  module Squad
    # A squad with its starts, as it is seen before it begins. Seconds from the common start.
    class LineUp
      # A first breath. lane: its place among the lanes. clash: another lane's comes less than the gap apart.
      Breath = Value.define(:lane, :at_s, :clash)
      # Both of a pair hold, for so long.
      Overlap = Value.define(:lanes, :seconds)

      attr_reader :lanes, :starts, :gap_s

      # @param lanes [Array<Lane>]
      # @param starts [Array<Integer>] seconds, in the order of the lanes
      # @param gap_s [Numeric]
      def initialize(lanes, starts, gap_s: Stagger::GAP_S)
        @lanes = lanes
        @starts = starts
        @gap_s = gap_s
      end

      # @return [Array<Breath>] in order of time
      def first_breaths
        @first_breaths ||=
          begin
            clashing = clashes.flatten.to_set
            moments.each_with_index.map do |(at, lane), index|
              Breath.new(lane: lane, at_s: at, clash: clashing.include?(index))
            end
          end
      end

      # @return [Integer] pairs of first breaths that come less than the gap apart
      def collisions = clashes.size

      # @return [Hash{Array(Integer, Integer) => Array<Numeric>}] moments at which first breaths of two lanes fall
      #   together, by their places; who does so most often first
      def together =
        clashes
          .group_by { |one, other| [moments[one][1], moments[other][1]].sort }
          .transform_values { |pairs| pairs.map { |one, _| moments[one][0] } }
          .sort_by { |lanes, at| [-at.size, lanes] }
          .to_h

      # @return [Array<Overlap>] of pairs that hold at the same time
      def overlaps
        pairs.filter_map do |one, other|
          seconds = Stagger::Clashes.both_hold(lanes[one], lanes[other], starts[other] - starts[one])
          Overlap.new(lanes: [one, other], seconds: seconds) if seconds > 0
        end
      end

      # @return [Array<Array(Integer, Integer)>] places of those who watch each other
      def pairs
        lanes.each_index.filter_map do |one|
          other = lanes.index { |lane| lane.id == lanes[one].pair }
          [one, other] if other && one < other
        end
      end

      # @return [Numeric] when the last one is done
      def ends_s = lanes.zip(starts).map { |lane, start| start + lane.seconds }.max

      # @param minutes [Integer] that there are
      # @return [Hash{Integer => Integer}] rounds that end too late, by lane
      def too_late(minutes)
        lanes
          .each_index
          .to_h { |lane| [lane, lanes[lane].first_breaths.count { |at| starts[lane] + at > minutes * 60 }] }
          .reject { |_, rounds| rounds.zero? }
      end

      private

      # @return [Array<Array(Numeric, Integer)>] when each first breath comes, and whose it is, in order of time
      def moments =
        @moments ||=
          lanes.each_index.flat_map { |lane| lanes[lane].first_breaths.map { |at| [starts[lane] + at, lane] } }.sort

      # @return [Array<Array(Integer, Integer)>] places among the moments
      def clashes
        @clashes ||=
          moments.each_with_index.flat_map do |(at, lane), index|
            near = ((index + 1)...moments.size).take_while { |later| moments[later][0] - at < gap_s }
            near.filter_map { |later| [index, later] unless moments[later][1] == lane }
          end
      end
    end
  end
end
