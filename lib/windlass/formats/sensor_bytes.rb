# frozen_string_literal: true

module Windlass
  module Formats
    # What a finger oximeter and a heart belt send: the bytes of the pulse oximeter service 1.0 and of the heart rate
    # service 1.0 of the Bluetooth SIG, from memory. The simulated pair speaks them; the deck reads them
    # (sensor_bytes.js), from it and from real ones alike.
    module SensorBytes
      # A measurement status follows the two numbers.
      OXIMETER_FLAGS = 0b00100
      VALIDATED = 1 << 7
      # It touches the skin, can tell so, and says the time from beat to beat.
      BELT_FLAGS = 0b10110
      BEAT_PARTS = 1024

      # @param saturation [Integer] percent
      # @param pulse [Integer] beats a minute
      # @return [String] bytes of a continuous measurement; whole numbers, as short floats of power nought
      def self.oximeter(saturation, pulse) = [OXIMETER_FLAGS, saturation, pulse, VALIDATED].pack("CS<S<S<")

      # @param pulse [Integer] beats a minute, up to 255
      # @param intervals_s [Array<Float>] from beat to beat, oldest first
      # @return [String] bytes of a measurement
      def self.belt(pulse, intervals_s) =
        [BELT_FLAGS, pulse, *intervals_s.map { |seconds| (seconds * BEAT_PARTS).round }].pack("CCS<*")
    end
  end
end
