# frozen_string_literal: true

module Windlass
  module Presenters
    # The two strips under the breath line: carbon dioxide rising toward the urge line, oxygen sinking toward the floor,
    # on one band: each gas runs from its resting value (its own side) to its limit (the line in the middle).
    class GasStrips
      Margin = Value.define(:number, :urge_x, :floor_x, :label, :label_x, :kind)

      # Points a line needs at most: more than the eye sees.
      MOST_POINTS = 1200

      attr_reader :limit_y

      # @param forecast [Physiology::Forecast] with a trace
      # @param x [Scale] seconds to places
      # @param band [Array(Integer, Integer)] top and bottom
      def initialize(forecast, x, band)
        @forecast = forecast
        @x = x
        @top, @bottom = band
        @limit_y = ((@top + @bottom) / 2.0).round(1)
        @co2 = Scale.of([lowest_stimulus, urge_mmhg], [@bottom - 8, @limit_y])
        @oxygen = Scale.of([1.0, forecast.floor], [@top + 8, @limit_y])
      end

      def calibrated? = !@forecast.threshold.nil?

      # Carbon dioxide is drawn as the urge stimulus: that is what the threshold is a threshold of.
      def co2_path = path { |point| @co2.place(stimulus(point)) }

      def oxygen_path = path { |point| @oxygen.place(point.sao2) }

      def floor_label = "floor #{(@forecast.floor * 100).round} %"

      attr_reader :top

      attr_reader :bottom

      # Holds that reach far enough for a bracket to be read.
      def margins
        @forecast.holds.filter_map.with_index(1) do |hold, number|
          bracket(hold, number) if hold.urge_s && hold.floor_s
        end
      end

      private

      def bracket(hold, number)
        ends = [hold.start_s + hold.urge_s, hold.start_s + hold.floor_s].map { |t| @x.place(t).clamp(@x.start, @x.stop) }
        Margin.new(number: number, urge_x: ends[0], floor_x: ends[1], kind: hold.margin,
          label: "#{hold.margin} #{format("%+d", hold.margin_s.round)} s", label_x: (ends.sum / 2).round(1))
      end

      def path
        points = @forecast.trace.points
        every = (points.size / MOST_POINTS.to_f).ceil.clamp(1, 1000)
        places = points.each_slice(every).map { |slice| [@x.place(slice.last.t), clamp(yield(slice.last))] }
        "M#{places.map { |x, y| "#{x} #{y}" }.join("L")}"
      end

      def clamp(y) = y.clamp(@top - 6.0, @bottom + 6.0)

      def stimulus(point) = Physiology::Subject.urge_stimulus(point.po2, point.pco2)

      def lowest_stimulus = [30.0, @forecast.trace.points.map { |point| stimulus(point) }.min].min

      # Without a control pause there is no urge line; the scale is then that of a middling one.
      def urge_mmhg = @forecast.threshold || 52.0
    end
  end
end
