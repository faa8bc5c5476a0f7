# frozen_string_literal: true

module Windlass
  module Physiology
    # Gas in the airways that comes back first with the next breath in. Litres.
    class DeadSpace
      # Less than this is empty: a ten-thousandth of a litre.
      EMPTY_L = 1e-4

      attr_reader :o2, :co2, :n2

      # @param lungs [GasExchange] full of lung gas to begin with
      def initialize(capacity_l, lungs)
        @capacity = capacity_l
        @o2 = @co2 = @n2 = 0.0
        fill(lungs, capacity_l)
      end

      def volume = @o2 + @co2 + @n2

      def empty? = volume < EMPTY_L

      # @return [Air] what comes back with the next breath in
      def air
        present = volume
        Air.new(@o2 / present, @co2 / present, @n2 / present)
      end

      # Lung gas of this moment moves up into the airways and pushes out what was there before it.
      def fill(lungs, exhaled_l)
        fresh = [exhaled_l, @capacity].min
        kept = [@capacity - fresh, volume].min
        scale_to(kept)
        share = fresh / lungs.volume
        @o2 += lungs.o2 * share
        @co2 += lungs.co2 * share
        @n2 += lungs.n2 * share
      end

      # The lungs have drawn this much back.
      def draw(litres)
        scale_to([volume - litres, 0.0].max)
      end

      private

      def scale_to(litres)
        present = volume
        share = present.zero? ? 0.0 : litres / present
        @o2 *= share
        @co2 *= share
        @n2 *= share
      end
    end
  end
end
