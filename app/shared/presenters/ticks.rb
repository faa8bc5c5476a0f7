# frozen_string_literal: true

module Windlass
  module Presenters
    # Round steps for an axis.
    module Ticks
      TIME_STEPS_S = [5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600].freeze

      # @param most [Integer] how many there is room for
      # @return [Array<Integer>] multiples of the first step that fits, 0 to the end
      def self.of(end_value, steps, most)
        step = steps.find { |one| end_value / one <= most } || steps.last
        (0..(end_value / step).floor).map { |index| index * step }
      end
    end
  end
end
