# frozen_string_literal: true

module Windlass
  module Squad
    # All lanes together from the first breath on. First breaths fall together then, and nobody could rate one by one:
    # each is rated at the end, by exception.
    module AtOnce
      # Up to here nobody has to be watched at each first breath. Common practice, no source.
      SHORT_S = 10

      # @param lanes [Array<Lane>]
      # @return [Boolean] it is what a squad does unless somebody chooses otherwise
      def self.usual?(lanes) = lanes.flat_map(&:holds).all? { |_, seconds| seconds <= SHORT_S }

      # @return [Array<Integer>] starts
      def self.starts(lanes) = lanes.map { 0 }
    end
  end
end
