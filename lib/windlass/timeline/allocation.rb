# frozen_string_literal: true

module Windlass
  module Timeline
    # Splits a whole into parts without losing anything.
    module Allocation
      # @param total_ms [Integer]
      # @param parts [Integer]
      # @return [Array<Integer>] as even as whole milliseconds allow, the longer ones first; they sum to total_ms
      def self.even(total_ms, parts)
        each, left = total_ms.divmod(parts)
        Array.new(parts) { |index| (index < left) ? each + 1 : each }
      end
    end
  end
end
