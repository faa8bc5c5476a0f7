# frozen_string_literal: true

module Windlass
  module Physiology
    # What the model carries from moment to moment. Mutable, and private to a simulation: what leaves it is frozen.
    # Lung gases in litres BTPS (dry), venous oxygen content in L per L, tissue pressures in mmHg.
    class State
      attr_accessor :o2, :co2, :n2, :venous_o2, :fast_pco2, :slow_pco2, :metabolic_rate

      # A body in balance at the end of a quiet breath out, by the alveolar gas equation.
      def self.balanced(body)
        po2 = AlveolarGas.po2(body.dry_mmhg, pco2: 40.0)
        saturation = Blood.saturation(po2, 40.0)
        arterial = body.oxygen_capacity * saturation + Blood::DISSOLVED_OXYGEN * po2
        venous = arterial - body.vo2_l_min / body.cardiac_output_l_min
        made = RESPIRATORY_QUOTIENT * body.vo2_l_min / body.cardiac_output_l_min
        tissue = Blood.pco2_at(Blood.co2_content(40.0, saturation) + made, venous / body.oxygen_capacity)
        new(litres_per_mmhg: body.frc_l / body.dry_mmhg, po2: po2, pco2: 40.0, dry_mmhg: body.dry_mmhg,
          venous_o2: venous, tissue_pco2: tissue)
      end

      def initialize(litres_per_mmhg:, po2:, pco2:, dry_mmhg:, venous_o2:, tissue_pco2:)
        @o2 = po2 * litres_per_mmhg
        @co2 = pco2 * litres_per_mmhg
        @n2 = (dry_mmhg - po2 - pco2) * litres_per_mmhg
        @venous_o2 = venous_o2
        @fast_pco2 = @slow_pco2 = tissue_pco2
        @metabolic_rate = 1.0
      end

      def volume = @o2 + @co2 + @n2
    end
  end
end
