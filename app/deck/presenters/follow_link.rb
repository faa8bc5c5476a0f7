# frozen_string_literal: true

require "rqrcode_core"

module Windlass
  module Presenters
    # Where a second screen finds what it follows: an address, and the same as squares for a camera.
    class FollowLink
      # White around it, in squares, that a camera needs.
      QUIET = 4
      # The squares of an address stay the same, and take longer to reckon than a page.
      KEPT = BoundedCache.new(50)

      attr_reader :path, :address

      # @param path [String] of the screen
      # @param base [String] address of the server, as this device knows it
      def initialize(path, base:)
        @path = path
        @address = "#{base}#{path}"
      end

      # @return [String] of the picture of it, drawn when somebody looks for it
      def code_path = "#{path}.svg"

      # @return [Integer] squares a side
      def size = modules.size + 2 * QUIET

      # @return [String] an SVG path
      def squares
        modules
          .each_with_index
          .flat_map do |row, y|
            row.each_with_index.filter_map { |dark, x| "M#{x + QUIET} #{y + QUIET}h1v1h-1z" if dark }
          end
          .join
      end

      private

      # A screen has no stains that a camera would have to see through: fewer squares, and larger ones.
      def modules = KEPT.fetch(address) { RQRCodeCore::QRCode.new(address, level: :l).modules.each(&:freeze).freeze }
    end
  end
end
