# frozen_string_literal: true

module Windlass
  module Presenters
    # A measure over twelve weeks, small enough to stand under its figure: a line, and the newest as a dot.
    class Spark
      WIDTH = 200
      HEIGHT = 36

      # @param values [Array<Array(Date, Float)>] in order of time
      # @param today [Date]
      # @return [Spark, nil] nil of a single value: its figure says it all
      def self.of(values, today:) = (new(values, today: today) if values.size > 1)

      # @param values [Array<Array(Date, Float)>] two or more
      def initialize(values, today:)
        x = Scale.of([-ControlPauseChart::DAYS + 1, 0], [3, WIDTH - 5])
        low, high = values.map(&:last).minmax
        y = Scale.of((high == low) ? [low - 1, high + 1] : [low, high], [HEIGHT - 5, 5])
        @points = values.map { |day, value| [x.place((day - today).to_i), y.place(value)] }
      end

      # @return [String] an SVG path
      def ink = "M#{@points.map { |point| point.join(" ") }.join("L")}"

      # @return [Array(Float, Float)] place of the newest
      def newest = @points.last
    end
  end
end
