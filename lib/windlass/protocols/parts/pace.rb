# frozen_string_literal: true

module Windlass
  module Protocols
    # From which pace on a counted breath is over-breathing, whatever the family is called.
    module Pace
      # Breaths a minute; and a count so short is no calm count any more.
      MOST_A_MINUTE = 20
      SHORTEST_COUNT_S = 1 / 2r

      # @param count_s [Numeric] seconds of a count
      # @param counts [Numeric] of one breath, holds included
      def self.over?(count_s, counts)
        count = Numbers.exact(count_s)
        count <= SHORTEST_COUNT_S || count * counts < 60r / MOST_A_MINUTE
      end
    end
  end
end
