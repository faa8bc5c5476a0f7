# frozen_string_literal: true

module Windlass
  module Timeline
    # Splits a whole into parts without losing anything.
    module Allocation
      # @param total_ms [Integer]
      # @param shares [Array<Rational>] what each part is to take, of whatever
      # @return [Array<Integer>] in proportion; they sum to total_ms
      def self.by(total_ms, shares)
        whole = shares.sum
        ends = shares.each_with_object([0r]) { |share, known| known << known.last + share }
        ends.map { |reached| (total_ms * reached / whole).round }.each_cons(2).map { |from, to| to - from }
      end

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
