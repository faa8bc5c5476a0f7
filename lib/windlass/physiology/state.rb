# frozen_string_literal: true

module Windlass
  module Physiology
    # Where a simulation begins: lung gas in litres BTPS (dry), venous oxygen content in L per L, tissue PCO2 in mmHg.
    State =
      Value.define(:o2, :co2, :n2, :venous_o2, :tissue_pco2) do
        # A body in balance at the end of a quiet breath out.
        def self.balanced(body)
          po2 = AlveolarGas.po2(body.dry_mmhg, pco2: 40.0)
          saturation = Blood.saturation(po2, 40.0)
          litres = body.frc_l / body.dry_mmhg
          venous =
            body.haemoglobin_capacity * saturation + Blood::DISSOLVED_OXYGEN * po2 -
            body.vo2_l_min / body.cardiac_output_l_min
          new(
            o2: po2 * litres,
            co2: 40.0 * litres,
            n2: (body.dry_mmhg - po2 - 40.0) * litres,
            venous_o2: venous,
            tissue_pco2: tissue_pco2(body, saturation, venous)
          )
        end

        # Such that blood leaving the tissue brings what was made.
        def self.tissue_pco2(body, saturation, venous)
          made = RESPIRATORY_QUOTIENT * body.vo2_l_min / body.cardiac_output_l_min
          Blood.pco2_at(Blood.co2_content(40.0, saturation) + made, venous / body.haemoglobin_capacity)
        end
        private_class_method :tissue_pco2
      end
  end
end
