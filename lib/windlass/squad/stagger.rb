# frozen_string_literal: true

module Windlass
  module Squad
    # One athlete's session as the others see it: when it holds, and how long it lasts. Seconds from its own start.
    # @param holds [Array<Array(Numeric, Numeric)>] start and length of each
    # @param pair [String, nil] id of whom they watch, and who watches them
    Lane = Value.define(:id, :seconds, :holds, pair: nil) do
      # @return [Array<Numeric>] when a first breath comes: at a hold's end
      def first_breaths = holds.map { |start, length| start + length }

      # @param timeline [Timeline::Compiled] open holds count with their expected length
      # @param id [String]
      # @param pair [String, nil]
      def self.of(timeline, id:, pair: nil)
        new(id: id, seconds: timeline.total_ms / 1000.0, holds: timeline.holds.map { |place| [place.start_ms / 1000.0, place.ms / 1000.0] }, pair: pair)
      end
    end

    # When each lane starts, and what is left that was not wanted.
    # collisions: pairs of first breaths of different lanes less than the gap apart. overlap_s: seconds in which both of a pair hold.
    Arrangement = Value.define(:starts, :collisions, :overlap_s, :ends_s)

    # Chooses the starts of a squad so that no two first breaths fall together. Wanted, in this order: fewest collisions, fewest
    # overlapping seconds in pairs, the earliest common end, the earliest starts in the order of the lanes. Deterministic: the best that
    # exists up to three lanes, a search for more.
    module Stagger
      MOST_LANES = LETTERS.size
      GAP_S = 8
      LATEST_S = 300
      EXACT_LANES = 3
      # How many half-finished arrangements are looked at before the best so far has to do.
      MOST_STEPS = 350
      MOST_PASSES = 6

      # @param lanes [Array<Lane>]
      # @param gap_s [Numeric] first breaths are at least this far apart; exactly this is far enough
      # @param latest_s [Integer] no lane starts later
      # @return [Arrangement]
      def self.of(lanes, gap_s: GAP_S, latest_s: LATEST_S)
        squad = Clashes.new(lanes, gap_s, latest_s)
        starts = (lanes.size <= EXACT_LANES) ? Exact.starts(squad) : Search.starts(squad)
        collisions, overlap_s, ends_s = squad.cost(starts)
        Arrangement.new(starts: lanes.map(&:id).zip(starts).to_h.freeze, collisions: collisions, overlap_s: overlap_s, ends_s: ends_s)
      end

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
          one.holds.product(other.holds).sum { |(mine, mine_s), (theirs, theirs_s)| common(mine, mine_s, theirs + later, theirs_s) }
        end

        # @return [Numeric] seconds that two stretches have in common
        def self.common(mine, mine_s, theirs, theirs_s) = [[mine + mine_s, theirs + theirs_s].min - [mine, theirs].max, 0].max

        # @return [Array(Integer, Float, Numeric)] collisions, overlapping seconds, common end
        def cost(starts)
          [collisions_at(starts), sum(@overlaps, starts).round(3), starts.zip(lanes).map { |start, lane| start + lane.seconds }.max || 0]
        end

        def collisions_at(starts) = sum(@collisions, starts)

        # Where a lane adds least to those that have a start: fewest collisions, then fewest overlapping seconds.
        # @return [Array<Integer>] in order
        def least(lane, starts)
          clashes = totals(@collisions, lane, starts)
          overlaps = totals(@overlaps, lane, starts)
          fewest = clashes.min
          open = clashes.each_index.select { |start| clashes[start] == fewest }
          shortest = overlaps.values_at(*open).min
          open.select { |start| overlaps[start] == shortest }
        end

        # @param later [Integer] so many seconds after the one the other starts
        def collisions_of(one, other, later) = @collisions[one][other][later + latest_s]

        private

        def sum(table, starts)
          found = 0
          @pairs.each do |one, other|
            by_later = table[one][other]
            found += by_later[starts[other] - starts[one] + @latest_s] if by_later
          end
          found
        end

        # What a lane has with all others together, by each second at which it may start.
        def totals(table, lane, starts)
          by_start = starts.each_with_index.filter_map { |start, other| table[other][lane]&.slice(@latest_s - start, @latest_s + 1) if start && other != lane }
          by_start.empty? ? Array.new(@latest_s + 1, 0) : by_start.transpose.map(&:sum)
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
          one.first_breaths.product(other.first_breaths) do |mine, theirs|
            apart = mine - theirs
            next unless apart.abs < farthest

            from = [(apart - gap_s).floor + 1, -latest_s].max
            to = [(apart + gap_s).ceil - 1, latest_s].min
            steps[from + latest_s] += 1
            steps[to + latest_s + 1] -= 1
          end
          running(steps)
        end

        def running(steps)
          count = 0
          steps.first(2 * latest_s + 1).map { |step| count += step }
        end

        def overlaps(one, other)
          found = Array.new(2 * latest_s + 1, 0.0)
          one.holds.product(other.holds) do |(mine, mine_s), (theirs, theirs_s)|
            from = [(mine - theirs - theirs_s).ceil, -latest_s].max
            to = [(mine + mine_s - theirs).floor, latest_s].min
            from.upto(to) do |later|
              found[later + latest_s] += Clashes.common(mine, mine_s, theirs + later, theirs_s)
            end
          end
          found
        end
      end

      # All arrangements of up to three lanes. What two do to each other hangs on how far they are apart, so that some lane
      # starts at once.
      module Exact
        def self.starts(squad)
          best, best_cost = [], nil
          fewest = Float::INFINITY
          each(squad.size, squad.latest_s + 1) do |starts|
            clashes = squad.collisions_at(starts)
            next if clashes > fewest

            fewest = clashes
            cost = [clashes, *squad.cost(starts).drop(1), *starts]
            best, best_cost = starts.dup, cost if best_cost.nil? || (cost <=> best_cost) < 0
          end
          best
        end

        # The same list again and again: there are a quarter of a million.
        def self.each(lanes, seconds)
          starts = Array.new(lanes, 0)
          (0...lanes).each do |first|
            others = (0...lanes).to_a - [first]
            starts[first] = 0
            (seconds**others.size).times do |number|
              others.each { |lane| number, starts[lane] = number.divmod(seconds) }
              yield starts
            end
          end
        end
        private_class_method :each
      end

      # More lanes: several orders in which lane after lane is put where it does least, and a search for an arrangement without
      # collisions, the lane with the least room first; each then moved lane by lane until nothing moves. The best of them is tried again
      # with less and less time until the common end.
      module Search
        TIGHTENED = 2
        # A try with less time looks at fewer: it is one of several.
        FEW_STEPS = 25

        def self.starts(squad)
          free = Free.new(squad).starts
          best = pick(squad, [(settled(squad, free) if free), *orders(squad).map { |order| settled(squad, greedy(squad, order)) }].compact)
          squad.collisions_at(best).zero? ? tightened(squad, best) : best
        end

        def self.pick(squad, all) = all.min_by { |starts| [*squad.cost(starts), *starts] }

        # By their numbers, and by how many holds they have.
        def self.orders(squad)
          lanes = (0...squad.size).to_a
          [lanes, lanes.sort_by { |lane| [-squad.lanes[lane].holds.size, lane] }].uniq
        end

        # Halfway between the longest lane and the end so far, while something is found there.
        def self.tightened(squad, best)
          least = squad.lanes.map(&:seconds).max
          TIGHTENED.times do
            ends = squad.cost(best).last
            within = (least + ends) / 2
            break if ends - within < 1

            found = Free.new(squad, ends_s: within, most_steps: FEW_STEPS).starts
            next least = within if found.nil?

            best = pick(squad, [best, settled(squad, found)])
          end
          best
        end

        def self.greedy(squad, order)
          order.each_with_object(Array.new(squad.size)) do |lane, starts|
            starts[lane] = squad.least(lane, starts).first
          end
        end

        # Lane after lane in turn, until all of them lie best where they lie.
        def self.settled(squad, starts)
          starts = starts.dup
          loop do
            moved_to_rest(squad, starts)
            earliest = starts.min
            break starts if earliest.zero?

            # All of them earlier: somebody may have room there that was none before.
            starts.map! { |start| start - earliest }
          end
        end

        def self.moved_to_rest(squad, starts)
          settled = 0
          (MOST_PASSES * squad.size).times do |turn|
            lane = turn % squad.size
            start = best(squad, lane, starts)
            settled = (start == starts[lane]) ? settled + 1 : 1
            starts[lane] = start
            break if settled == squad.size
          end
        end

        def self.best(squad, lane, starts)
          others_end = starts.each_index.reject { |other| other == lane }.map { |other| starts[other] + squad.lanes[other].seconds }.max || 0
          squad.least(lane, starts).min_by { |start| [[start + squad.lanes[lane].seconds, others_end].max, start] }
        end
        private_class_method :pick, :orders, :tightened, :greedy, :settled, :moved_to_rest, :best
      end

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

        def latest(lane) = @ends_s ? (@ends_s - @squad.lanes[lane].seconds).floor.clamp(0, @squad.latest_s) : @squad.latest_s

        def place(placed, room)
          return placed if room.empty?
          return if (@steps += 1) > @most_steps

          lane, bits = room.min_by { |one, open| [open.to_s(2).count("1"), one] }
          each_start(bits) do |start|
            left = room.except(lane).to_h { |other, open| [other, open & (apart(lane, other) >> (@squad.latest_s - start))] }
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
