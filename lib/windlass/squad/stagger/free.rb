# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # Looks for starts without a collision. Where a lane may still start is a row of bits.
      class Free
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

          lane, bits = room.min_by { |one, open| [open.to_s(2).count("1"), one] }
          each_start(bits) do |start|
            left =
              room.except(lane).to_h { |other, open| [other, open & (apart(lane, other) >> (@squad.latest_s - start))] }
            next if left.value?(0)

            found = place(placed.merge(lane => start), left)
            return found if found
          end
          nil
        end

        # A handful of starts over the whole room: neighbours do much the same.
        TRIED = 12

        def each_start(bits, &block)
          starts = bits.to_s(2).reverse.each_char.with_index.filter_map { |bit, start| start if bit == "1" }
          stride = [starts.size / TRIED, 1].max
          starts.each_slice(stride).map(&:first).each(&block)
        end

        # @return [Integer] bit by bit from -latest to latest: so much later the other may start
        def apart(lane, other)
          @open[[lane, other]] ||= (-@squad.latest_s..@squad.latest_s).sum do |later|
            @squad.collisions_of(lane, other, later).zero? ? 1 << (later + @squad.latest_s) : 0
          end
        end
      end
    end
  end
end
