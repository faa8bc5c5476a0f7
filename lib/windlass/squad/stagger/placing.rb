# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # Lanes while they are put into their places. What each has with all others together, by each second at which it
      # may start, is kept: a lane that is put or moved changes only what it adds to it.
      class Placing
        # @return [Array<Integer, nil>] by lane
        attr_reader :starts

        # @param starts [Array<Integer>, nil] where all of them lie so far
        def initialize(squad, starts = nil)
          @squad = squad
          @starts = Array.new(squad.size)
          @clashes = Array.new(squad.size) { Array.new(squad.latest_s + 1, 0) }
          starts&.each_with_index { |start, lane| put(lane, start) }
        end

        def put(lane, start)
          before = starts[lane]
          return if before == start

          starts[lane] = start
          @clashes.each_with_index do |clashes, other|
            add(clashes, @squad.collisions_of(lane, other), start, before) unless other == lane
          end
        end

        # Where a lane adds least to those that have a start: fewest collisions, then fewest overlapping seconds.
        # @return [Array<Integer>] in order
        def least(lane)
          clashes = @clashes[lane]
          fewest = clashes.min
          open = clashes.each_index.select { |start| clashes[start] == fewest }
          overlaps = overlaps(lane)
          shortest = overlaps.values_at(*open).min
          open.select { |start| overlaps[start] == shortest }
        end

        private

        def add(clashes, by_later, start, before)
          latest = @squad.latest_s
          second = 0
          while second <= latest
            clashes[second] += by_later[second + latest - start] - (before ? by_later[second + latest - before] : 0)
            second += 1
          end
        end

        # Only a pair has some.
        def overlaps(lane)
          found = Array.new(@squad.latest_s + 1, 0)
          starts.each_with_index do |start, other|
            by_later = (@squad.overlaps_of(other, lane) if start && other != lane) or next

            found = found.zip(by_later[@squad.latest_s - start, found.size]).map { |one| one.sum }
          end
          found
        end
      end
    end
  end
end
