# frozen_string_literal: true

module Windlass
  # Numbers as people write them.
  module Numbers
    # @return [Integer, Float] whole where it is whole
    def self.plain(number)
      (number == number.to_i) ? number.to_i : number.to_f
    end

    # @return [Integer] the value brought down to a multiple
    def self.down_to_multiple(number, step) = (number / step).floor * step
  end
end
