# frozen_string_literal: true

module Windlass
  # Numbers as people write them.
  module Numbers
    # @return [Integer, Float] whole where it is whole
    def self.plain(number)
      (number == number.to_i) ? number.to_i : number.to_f
    end

    # Finer than anything that is typed: up to here floats stand for the decimal that was meant.
    FINEST = Rational(1, 1_000_000)

    # @return [Rational] 12.4 is 124/10: shares of it are exact
    def self.exact(number) = number.rationalize(FINEST)

    # @return [Integer] the value brought down to a multiple
    def self.down_to_multiple(number, step) = (number / step).floor * step
  end
end
