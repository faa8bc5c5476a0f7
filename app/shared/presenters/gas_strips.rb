# frozen_string_literal: true

module Windlass
  module Presenters
    # The two gases on one band: carbon dioxide rises from below, oxygen sinks from above, each toward its limit, and
    # both limits are the one line in the middle. Which gas meets the line first is seen before any figure is read.
    class GasStrips
      # Points a line needs at most: more than the eye sees.
      MOST_POINTS = 900
      # How far a gas may run past the limit and still be drawn.
      OVERRUN = 12.0
      # Without a control pause there is no urge; the scale is then that of a middling one, mmHg.
      MIDDLING_URGE = 52.0

      attr_reader :limit_y, :top, :bottom

      # @param trace [Physiology::Trace]
      # @param x [Scale] seconds to places
      # @param band [Array(Integer, Integer)] top and bottom
      # @param threshold [Float, nil] urge stimulus, mmHg
      # @param floor [Float] saturation
      # @param within [Range] places; nothing is drawn outside of them
      def initialize(trace, x, band, threshold:, floor:, within: 0..Float::INFINITY)
        @points = trace.points.select { |point| within.cover?(x.place(point.t)) }
        @x = x
        @top, @bottom = band
        @threshold = threshold
        @floor = floor
        @limit_y = ((@top + @bottom) / 2.0).round(1)
        @co2 = Scale.of([lowest_stimulus, threshold || MIDDLING_URGE], [@bottom - 6, @limit_y])
        @oxygen = Scale.of([1.0, floor], [@top + 6, @limit_y])
      end

      def calibrated? = !@threshold.nil?

      # Carbon dioxide is drawn as the urge stimulus: that is what the threshold is a threshold of.
      def co2_path = path { |point| @co2.place(stimulus(point)) }

      def oxygen_path = path { |point| @oxygen.place(point.sao2) }

      def floor_label = "floor #{(@floor * 100).round} %"

      private

      # What runs off the band is not drawn: the pen is lifted and set down again.
      def path
        every = [(@points.size / MOST_POINTS.to_f).ceil, 1].max
        places = @points.each_slice(every).map { |slice| [@x.place(slice.last.t), yield(slice.last)] }
        strokes = places.chunk { |_, y| y.between?(@top - OVERRUN, @bottom + OVERRUN) }.select(&:first)
        strokes.map { |_, stroke| "M#{stroke.map { |x, y| "#{x} #{y}" }.join("L")}" }.join
      end

      def stimulus(point) = Physiology::Subject.urge_stimulus(point.po2, point.pco2)

      def lowest_stimulus = [30.0, *@points.map { |point| stimulus(point) }].min
    end
  end
end
