# frozen_string_literal: true

module Windlass
  module Formats
    # Speech in eight bits a sample: the µ-law of ITU-T G.711 (from memory; checked against Python's `audioop`).
    module MuLaw
      BIAS = 132
      LOUDEST = 32_635

      # @param byte [Integer]
      # @return [Integer] sample, 16 bit
      def self.sample(byte)
        byte = ~byte & 0xff
        size = (((byte & 0x0f) << 3) + BIAS << ((byte & 0x70) >> 4)) - BIAS
        byte.anybits?(0x80) ? -size : size
      end

      SAMPLES = Array.new(256) { |byte| sample(byte) }.freeze

      # @param samples [String] 16 bit, little-endian
      # @return [String] a byte a sample
      def self.encode(samples) = samples.unpack("s<*").map { |sample| byte(sample) }.pack("C*")

      # @param bytes [String]
      # @return [Array<Integer>] samples, 16 bit
      def self.decode(bytes) = bytes.each_byte.map { |byte| SAMPLES[byte] }

      # RIFF/WAVE, one channel, as browsers decode it.
      # @param bytes [String] a byte a sample
      def self.wave(bytes, rate:)
        padded = bytes.b.ljust(bytes.bytesize + bytes.bytesize % 2, 255.chr)
        [
          "RIFF",
          38 + 12 + padded.bytesize,
          "WAVE",
          "fmt ",
          18,
          7,
          1,
          rate,
          rate,
          1,
          8,
          0,
          "fact",
          4,
          bytes.bytesize,
          "data",
          bytes.bytesize
        ].pack("a4Va4a4VvvVVvvva4VVa4V") + padded
      end

      def self.byte(sample)
        size = [sample.abs, LOUDEST].min + BIAS
        power = size.bit_length - 8
        ~((sample.negative? ? 0x80 : 0) | (power << 4) | ((size >> (power + 3)) & 0x0f)) & 0xff
      end
      private_class_method :byte
    end
  end
end
