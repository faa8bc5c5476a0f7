# frozen_string_literal: true

module Windlass
  module Physiology
    # How deep the next quiet breath is. Depth follows carbon dioxide with a lag, or the controller would hunt from
    # breath to breath.
    class NaturalBreathing
      LAG_S = 20.0
      # Litres a minute of alveolar ventilation for each mmHg that the drive stands over 40.
      GAIN = 2.0
      LEAST_SHARE = 0.3
      INHALE_SHARE = 0.4

      def initialize(body)
        @resting = body.resting_ventilation_l_min
        @dead_space = body.dead_space_l
        @largest = body.largest_breath_l
        @drive = 40.0
        @last_at_s = nil
      end

      # @param at_s [Float] start of this breath; holds since the breath before count as time
      # @param rate [Float] breaths a minute
      # @return [Float] tidal volume, litres
      def next_breath_l(at_s, pco2, metabolic_rate, rate)
        follow(at_s, pco2)
        resting = @resting * metabolic_rate
        alveolar = [LEAST_SHARE * resting, resting + GAIN * (@drive - 40.0)].max
        [alveolar / rate + @dead_space, @largest].min
      end

      # Time begins anew at the end of the lead-in.
      def rewind(seconds)
        @last_at_s -= seconds if @last_at_s
      end

      private

      def follow(at_s, pco2)
        since = at_s - (@last_at_s || at_s)
        @drive += (pco2 - @drive) * (1 - Math.exp(-since / LAG_S))
        @last_at_s = at_s
      end
    end
  end
end
