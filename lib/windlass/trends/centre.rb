# frozen_string_literal: true

module Windlass
  module Trends
    # The middle of a sample, and the interval between two of its values that holds the true middle in 95 of 100 samples
    # or more: the sign test turned round. It assumes nothing of how the values lie. E.g. Conover, Practical
    # Nonparametric Statistics (from memory); checked against SciPy's binomial distribution.
    Centre =
      Value.define(:median, :low, :high, :size) do
        # @param values [Array<Numeric>]
        # @return [Centre, nil] nil of fewer than {LEAST}: no interval of them holds that often
        def self.of(values)
          return if values.size < Centre::LEAST

          sorted = values.sort
          rank = rank(values.size)
          new(median: Trends.median(sorted), low: sorted[rank], high: sorted[-1 - rank], size: values.size)
        end

        # Chances are added up from their logarithms: of a thousand values and more the first is too small.
        # @return [Integer] so many values lie outside at either end
        def self.rank(size)
          tail = 0.0
          log_chance = -size * Math.log(2)
          (0..size).each do |outside|
            tail += Math.exp(log_chance)
            return outside - 1 if tail > Centre::TAIL

            log_chance += Math.log((size - outside) / (outside + 1.0))
          end
        end
        private_class_method :rank
      end

    Centre::TAIL = 0.025
    Centre::LEAST = 6
  end
end
