# frozen_string_literal: true

module Windlass
  # Robust statistics, without words of the trade.
  module Trends
    # @param values [Array<Numeric>]
    # @return [Float, nil] nil of nothing
    def self.median(values)
      return if values.empty?

      sorted = values.sort
      middle = sorted.size / 2
      sorted.size.odd? ? sorted[middle].to_f : (sorted[middle - 1] + sorted[middle]) / 2.0
    end
  end
end
