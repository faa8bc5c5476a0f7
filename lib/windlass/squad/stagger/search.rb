# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # More lanes: several orders in which lane after lane is put where it does least, and a search for an arrangement
      # without collisions, the lane with the least room first; each then moved lane by lane until nothing moves. The
      # best of them is tried again with less and less time until the common end.
      module Search
        TIGHTENED = 2
        # A try with less time looks at fewer: it is one of several.
        FEW_STEPS = 25

        def self.starts(squad)
          free = Free.new(squad).starts
          best =
            pick(
              squad,
              [
                (settled(squad, Placing.new(squad, free)) if free),
                *orders(squad).map { |order| settled(squad, greedy(squad, order)) }
              ].compact
            )
          squad.collisions_at(best).zero? ? tightened(squad, best) : best
        end

        def self.pick(squad, all) = all.min_by { |starts| [*squad.cost(starts), *starts] }

        # By their numbers, and by how many holds they have, the most and the fewest first.
        def self.orders(squad)
          lanes = (0...squad.size).to_a
          many_first = lanes.sort_by { |lane| [-squad.lanes[lane].holds.size, lane] }
          [lanes, many_first, many_first.reverse].uniq
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

            best = pick(squad, [best, settled(squad, Placing.new(squad, found))])
          end
          best
        end

        # @return [Placing]
        def self.greedy(squad, order)
          placing = Placing.new(squad)
          order.each { |lane| placing.put(lane, placing.least(lane).first) }
          placing
        end

        # Lane after lane in turn, until all of them lie best where they lie.
        # @return [Array<Integer>]
        def self.settled(squad, placing)
          loop do
            starts = at_rest(squad, placing)
            earliest = starts.min
            break starts if earliest.zero?

            # All of them earlier: somebody may have room there that was none before.
            placing = Placing.new(squad, starts.map { |start| start - earliest })
          end
        end

        # @return [Array<Integer>]
        def self.at_rest(squad, placing)
          settled = 0
          (MOST_PASSES * squad.size).times do |turn|
            lane = turn % squad.size
            start = best(squad, lane, placing)
            settled = (start == placing.starts[lane]) ? settled + 1 : 1
            placing.put(lane, start)
            break if settled == squad.size
          end
          placing.starts
        end

        def self.best(squad, lane, placing)
          others_end = placing.others_end(lane)
          placing.least(lane).min_by { |start| [[start + squad.lanes[lane].seconds, others_end].max, start] }
        end
        private_class_method :pick, :orders, :tightened, :greedy, :settled, :at_rest, :best
      end
    end
  end
end
