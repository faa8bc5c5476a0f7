# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # Looks for starts without a collision. Where a lane may still start is a row of bits.
      class Free
        # So many starts are tried over the whole room of a lane: neighbours do much the same.
        TRIED = 12

        # @param ends_s [Numeric, nil] when all have to be done
        # @param most_steps [Integer] half-finished arrangements that are looked at
        def initialize(squad, ends_s: nil, most_steps: MOST_STEPS)
          @squad = squad
          @most_steps = most_steps
          @ends_s = ends_s
          @steps = 0
          @open = {}
        end

        # @return [Array<Integer>, nil] nil where none was found
        def starts
          found = place({}, (0...@squad.size).to_h { |lane| [lane, (1 << (latest(lane) + 1)) - 1] })
          found && (0...@squad.size).map { |lane| found[lane] }
        end

        private

        def latest(lane) =
          @ends_s ? (@ends_s - @squad.lanes[lane].seconds).floor.clamp(0, @squad.latest_s) : @squad.latest_s

        def place(placed, room)
          return placed if room.empty?
          return if (@steps += 1) > @most_steps

          # Whoever has the least room first: where there is none left, that is seen soonest.
          (lane, bits), *others = room.sort_by { |one, open| open.to_s(2).count("1") * MOST_LANES + one }
          some_of(bits).each do |start|
            left = left(others, lane, start)
            found = left && place(placed.merge(lane => start), left)
            return found if found
          end
          nil
        end

        # @return [Hash{Integer => Integer}, nil] what stays open for the others; nil where one has no start any more
        def left(others, lane, start)
          others.each_with_object({}) do |(other, open), left|
            open &= apart(lane, other) >> (@squad.latest_s - start)
            return nil if open.zero?

            left[other] = open
          end
        end

        def some_of(bits)
          text = bits.to_s(2).reverse
          starts = []
          at = -1
          starts << at while (at = text.index("1", at + 1))
          starts.each_slice([starts.size / TRIED, 1].max).map(&:first)
        end

        # @return [Integer] bit by bit from -latest to latest: so much later the other may start
        def apart(lane, other)
          @open[[lane, other]] ||=
            @squad.collisions_of(lane, other).reverse_each.map { |clashes| clashes.zero? ? "1" : "0" }.join.to_i(2)
        end
      end
    end
  end
end
