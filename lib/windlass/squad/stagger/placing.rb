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
          @nothing = Array.new(squad.latest_s + 1, 0)
          starts&.each_with_index { |start, lane| put(lane, start) }
        end

        def put(lane, start)
          before = starts[lane]
          return if before == start

          starts[lane] = start
          @clashes.each_with_index do |clashes, other|
            change(clashes, @squad.collisions_of(lane, other), before, start) unless other == lane
          end
        end

        # Where a lane adds least to those that have a start: fewest collisions, then fewest overlapping seconds.
        # @return [Array<Integer>] in order
        def least(lane)
          fewest = places(@clashes[lane], @clashes[lane].min)
          overlaps = overlaps(lane) or return fewest
          shortest = overlaps.values_at(*fewest).min
          fewest.select { |start| overlaps[start] == shortest }
        end

        # @return [Numeric] when the last of the others is done
        def others_end(lane)
          others = starts.each_index.reject { |other| other == lane }
          others.map { |other| starts[other] + @squad.lanes[other].seconds }.max || 0
        end

        private

        # Without a block, as {#change}: both are gone through some hundred times a squad, second by second.
        # @return [Array<Integer>] where that stands
        def places(all, sought)
          found = []
          place = 0
          size = all.size
          while place < size
            found << place if all[place] == sought
            place += 1
          end
          found
        end

        # What lies nowhere yet has nothing to be taken away.
        def change(clashes, by_later, before, start)
          gone = before ? by_later : @nothing
          from = before ? @squad.latest_s - before : 0
          to = @squad.latest_s - start
          second = 0
          size = clashes.size
          while second < size
            clashes[second] = clashes[second] - gone[second + from] + by_later[second + to]
            second += 1
          end
        end

        # Only a pair has some.
        # @return [Array<Numeric>, nil]
        def overlaps(lane)
          starts.each_with_index.reduce(nil) do |found, (start, other)|
            by_later = (@squad.overlaps_of(other, lane) if start && other != lane) or next found

            here = by_later[@squad.latest_s - start, @squad.latest_s + 1]
            found ? found.zip(here).map(&:sum) : here
          end
        end
      end
    end
  end
end
