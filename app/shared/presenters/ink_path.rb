# frozen_string_literal: true

module Windlass
  module Presenters
    # An ink line through points: straight while nothing moves, round where a breath turns.
    module InkPath
      # @param points [Array<Array(Float, Float)>] places
      # @return [String] an SVG path
      def self.of(points)
        first, *others = points
        others.each_with_object("M#{first[0]} #{first[1]}") do |(x, y), path|
          from_x, from_y = first
          half = ((x - from_x) / 2).round(1)
          path << (
            if (from_y - y).abs < 4
              "L#{x} #{y}"
            else
              "C#{(from_x + half).round(1)} #{from_y} #{(x - half).round(1)} #{y} #{x} #{y}"
            end
          )
          first = [x, y]
        end
      end
    end
  end
end
