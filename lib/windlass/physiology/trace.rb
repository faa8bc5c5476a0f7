# frozen_string_literal: true

module Windlass
  module Physiology
    # A session as the model saw it, one point a step. Seconds, litres, mmHg, saturation 0..1 in the lungs' blood.
    class Trace
      Point = Struct.new(:t, :volume, :po2, :pco2, :sao2)

      attr_reader :points

      def initialize(points)
        @points = points.each(&:freeze).freeze
        freeze
      end

      def end_s = points.last.t

      # @return [Point] at any moment; between two steps on a straight line
      def at(seconds)
        after = points.bsearch_index { |point| point.t >= seconds }
        return points.last if after.nil?
        return points.first if after.zero?

        between(points[after - 1], points[after], seconds)
      end

      # @return [Array<Point>] t = 0, then every so many seconds, up to the end
      def every(interval_s)
        (0..((end_s + 1e-9) / interval_s).floor).map { |index| at(index * interval_s) }
      end

      private

      def between(one, other, seconds)
        return other if other.t == one.t

        share = (seconds - one.t) / (other.t - one.t)
        mixed = one.to_a.zip(other.to_a).map { |a, b| a + (b - a) * share }
        Point.new(*mixed)
      end
    end

    # Fills a trace while a subject moves.
    class Recorder
      def initialize(subject)
        @points = []
        see(subject)
        subject.recorder = self
      end

      def trace = Trace.new(@points)

      def see(subject)
        @points << Trace::Point.new(subject.elapsed_s, subject.volume, subject.po2, subject.pco2, subject.saturation)
      end
    end
  end
end
