# frozen_string_literal: true

module Windlass
  module Physiology
    # What depth does to the volume of gas: Boyle's law, with the weight of sea water.
    module Hydrostatics
      # Sea water, kg/m3; gravity, m/s2; pascals in a mmHg.
      SEA_WATER = 1_025.0
      GRAVITY = 9.81
      PASCALS = 133.322

      # @param depth_m [Numeric] metres of sea water
      # @return [Float] volume as a share of that at the surface
      def self.volume_share(depth_m, barometric_mmhg: 760.0)
        surface = barometric_mmhg * PASCALS
        surface / (surface + SEA_WATER * GRAVITY * depth_m)
      end
    end
  end
end
