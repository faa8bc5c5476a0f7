# frozen_string_literal: true

module Windlass
  module Physiology
    # A session as the model saw it, one sample a step.
    class Trace
      # Seconds; litres of each gas in the lungs. Amounts, not pressures, run straight between two steps.
      Sample = Struct.new(:t, :o2, :co2, :n2) { def volume = o2 + co2 + n2 }

      # Seconds, litres, mmHg, saturation 0..1 in the lungs' blood.
      Point = Struct.new(:t, :volume, :po2, :pco2, :sao2)

      attr_reader :points

      # @param samples [Array<Sample>] in order of time
      # @param dry_mmhg [Float] pressure of dry gas
      def initialize(samples, dry_mmhg)
        @samples = samples.each(&:freeze).freeze
        @dry_mmhg = dry_mmhg
        @points = samples.map { |sample| point(sample) }.freeze
        freeze
      end

      def end_s = @samples.last.t

      # @return [Point] at any moment
      def at(seconds)
        after = @samples.bsearch_index { |sample| sample.t >= seconds }
        return points.last if after.nil?
        return points.first if after.zero?

        point(between(@samples[after - 1], @samples[after], seconds))
      end

      # The same as {#at} many times over, without looking for each moment anew.
      # @param moments [Enumerable<Float>] seconds, in order
      # @return [Array<Float>] saturations, 0..1
      def saturations(moments)
        index = 0
        moments.map do |seconds|
          index += 1 while index < @samples.size && @samples[index].t < seconds
          next points[index.zero? ? 0 : -1].sao2 if index.zero? || index == @samples.size

          one, other = @samples[index - 1], @samples[index]
          saturation(one, other, (seconds - one.t) / (other.t - one.t))
        end
      end

      # @return [Float, nil] seconds: the first moment from one on at which alveolar oxygen is as low as that
      def oxygen_down_to(mmhg, from_s: 0.0) = points.find { |point| point.t >= from_s && point.po2 <= mmhg }&.t

      # @return [Array<Point>] t = 0, then every so many seconds, up to the end
      def every(interval_s)
        (0..((end_s + 1e-9) / interval_s).floor).map { |index| at(index * interval_s) }
      end

      private

      def between(one, other, seconds)
        share = (seconds - one.t) / (other.t - one.t)
        Sample.new(
          one.t + (other.t - one.t) * share,
          one.o2 + (other.o2 - one.o2) * share,
          one.co2 + (other.co2 - one.co2) * share,
          one.n2 + (other.n2 - one.n2) * share
        )
      end

      def saturation(one, other, share)
        o2 = one.o2 + (other.o2 - one.o2) * share
        co2 = one.co2 + (other.co2 - one.co2) * share
        mmhg = @dry_mmhg / (o2 + co2 + (one.n2 + (other.n2 - one.n2) * share))
        Blood.saturation(o2 * mmhg, co2 * mmhg)
      end

      def point(sample)
        mmhg = @dry_mmhg / sample.volume
        po2 = sample.o2 * mmhg
        pco2 = sample.co2 * mmhg
        Point.new(sample.t, sample.volume, po2, pco2, Blood.saturation(po2, pco2)).freeze
      end
    end
  end
end
