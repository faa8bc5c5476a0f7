# frozen_string_literal: true

module Windlass
  module Squad
    module Stagger
      # All arrangements of up to three lanes. What two do to each other hangs on how far they are apart, so that some
      # lane starts at once.
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
    end
  end
end
