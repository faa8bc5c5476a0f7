# frozen_string_literal: true

module Windlass
  module Trends
    # Finds a {Slope}.
    module TheilSen
      # Of a normal distribution, two-sided 95 %.
      Z95 = 1.959963984540054

      # @param points [Array<Array(Numeric, Numeric)>] x and y
      # @return [Slope, nil] nil where all points stand at one x
      def self.slope(points)
        slopes = points.combination(2).filter_map { |(x, y), (u, v)| (v - y) / (u - x).to_f unless u == x }.sort
        return if slopes.empty?

        reach = Z95 * Math.sqrt(variance(points))
        low = [((slopes.size - reach) / 2).round(half: :even) - 1, 0].max
        high = [((slopes.size + reach) / 2).round(half: :even), slopes.size - 1].min
        Slope.new(slope: Trends.median(slopes), low: slopes[low], high: slopes[high])
      end

      # Of Kendall's statistic, less for what is tied.
      def self.variance(points)
        (term(points.size) - ties(points.map(&:first)) - ties(points.map(&:last))) / 18.0
      end

      def self.ties(values) = values.tally.values.sum { |times| term(times) }

      def self.term(count) = count * (count - 1) * (2 * count + 5)
      private_class_method :variance, :ties, :term
    end
  end
end
