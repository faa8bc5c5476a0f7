# frozen_string_literal: true

module Windlass
  module Physiology
    # The seconds between the first urge and the oxygen floor, and the word for them.
    module Margin
      # @return [Float, nil]
      def self.seconds(urge_s, floor_s) = (urge_s && floor_s) ? floor_s - urge_s : nil

      # @param trusted [Boolean] false where the control pause itself passes the floor in the model
      # @return [Symbol, nil] :clear, :tight or :inverted
      def self.classify(seconds, trusted: true)
        return if seconds.nil?
        return :inverted if seconds < 0 || !trusted

        (seconds >= CLEAR_MARGIN_S) ? :clear : :tight
      end
    end
  end
end
