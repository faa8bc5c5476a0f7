# frozen_string_literal: true

module Windlass
  module Trends
    # The median of all differences between two samples, with the interval that inverts the rank-sum test.
    # Hodges and Lehmann, Ann Math Stat 1963; 34:598-611; Mann and Whitney 1947 (from memory).
    module HodgesLehmann
      # @param one [Array<Numeric>]
      # @param other [Array<Numeric>]
      # @return [Difference, nil] of one less other; nil where one of them is empty
      def self.difference(one, other)
        return if one.empty? || other.empty?

        differences = one.product(other).map { |a, b| (a - b).to_f }.sort
        pairs = differences.size
        reach = TheilSen::Z95 * Math.sqrt(pairs * (one.size + other.size + 1) / 12.0)
        rank = [(pairs / 2.0 - reach).floor, 0].max
        Difference.new(
          difference: Trends.median(differences),
          low: differences[rank],
          high: differences[pairs - 1 - rank]
        )
      end
    end
  end
end
