# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # What two lanes do to each other, by how much later the one starts than the other: looked up, not reckoned again.
      class Clashes
        attr_reader :lanes, :latest_s

        def initialize(lanes, gap_s, latest_s)
          @lanes = lanes
          @latest_s = latest_s
          @pairs = (0...lanes.size).to_a.combination(2).to_a
          @collisions = both_ways { |one, other| collisions(one, other, gap_s) }
          @overlaps = both_ways { |one, other| overlaps(one, other) if one.pair == other.id }
        end

        def size = lanes.size

        # @return [Numeric] seconds in which both hold, where the other starts so much later
        def self.both_hold(one, other, later)
          one
            .holds
            .product(other.holds)
            .sum { |(mine, mine_s), (theirs, theirs_s)| common(mine, mine_s, theirs + later, theirs_s) }
        end

        # @return [Numeric] seconds that two stretches have in common
        def self.common(mine, mine_s, theirs, theirs_s) =
          [[mine + mine_s, theirs + theirs_s].min - [mine, theirs].max, 0].max

        # @return [Array(Integer, Float, Numeric)] collisions, overlapping seconds, common end
        def cost(starts)
          [
            collisions_at(starts),
            sum(@overlaps, starts).round(3),
            starts.zip(lanes).map { |start, lane| start + lane.seconds }.max || 0
          ]
        end

        def collisions_at(starts) = sum(@collisions, starts)

        # @return [Array<Integer>] by each second from -latest to latest that the other starts later
        def collisions_of(one, other) = @collisions[one][other]

        # @return [Array<Numeric>, nil] seconds in which both hold, likewise; nil where they are no pair
        def overlaps_of(one, other) = @overlaps[one][other]

        private

        def sum(table, starts)
          found = 0
          @pairs.each do |one, other|
            by_later = table[one][other]
            found += by_later[starts[other] - starts[one] + @latest_s] if by_later
          end
          found
        end

        # By lane and lane: seen from the other one, the same backwards.
        def both_ways
          table = Array.new(lanes.size) { Array.new(lanes.size) }
          @pairs.each do |one, other|
            table[one][other] = yield(lanes[one], lanes[other])
            table[other][one] = table[one][other]&.reverse
          end
          table
        end

        # By every whole second from -latest to latest that the other starts later.
        def collisions(one, other, gap_s)
          steps = Array.new(2 * latest_s + 2, 0)
          farthest = latest_s + gap_s
          theirs = other.first_breaths
          one.first_breaths.each do |mine|
            theirs.each do |breath|
              apart = mine - breath
              next unless apart.abs < farthest

              from = [(apart - gap_s).floor + 1, -latest_s].max
              to = [(apart + gap_s).ceil - 1, latest_s].min
              steps[from + latest_s] += 1
              steps[to + latest_s + 1] -= 1
            end
          end
          running(steps)
        end

        # Without a block: for twelve lanes some forty thousand seconds are gone through.
        def running(steps)
          steps.pop
          second = 1
          size = steps.size
          while second < size
            steps[second] += steps[second - 1]
            second += 1
          end
          steps
        end

        def overlaps(one, other)
          found = Array.new(2 * latest_s + 1, 0.0)
          one
            .holds
            .product(other.holds) do |(mine, mine_s), (theirs, theirs_s)|
              from = [(mine - theirs - theirs_s).ceil, -latest_s].max
              to = [(mine + mine_s - theirs).floor, latest_s].min
              from.upto(to) do |later|
                found[later + latest_s] += Clashes.common(mine, mine_s, theirs + later, theirs_s)
              end
            end
          found
        end
      end
    end
  end
end
