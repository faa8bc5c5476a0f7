# frozen_string_literal: true

module Windlass
  module Physiology
    # Gas contents of blood. Pressures in mmHg, contents in litres of gas per litre of blood.
    module Blood
      # 10^(0.48 (6.1 - 7.4)): the part of the Bohr shift that does not move with carbon dioxide.
      BOHR = 10**(0.48 * (6.1 - 7.4))
      DISSOLVED_OXYGEN = 0.00003

      # 0.480 at 40 mmHg, as a factor of PCO2^0.35.
      CO2_EXPONENT = 0.35
      CARBON_DIOXIDE = 0.480 / 40.0**CO2_EXPONENT

      # Saturation of haemoglobin, 0..1.
      # Source: Severinghaus, J Appl Physiol 1979; 46:599-602 (from memory); pH by Henderson-Hasselbalch with a
      # bicarbonate of 24.4 that rises by 0.1 a mmHg.
      def self.saturation(po2, pco2)
        shift = BOHR * ((24.4 + 0.1 * (pco2 - 40.0)) / (0.0307 * pco2))**0.48
        shifted = po2 * shift
        cube = shifted * (shifted * shifted + 150.0)
        cube / (23_400.0 + cube)
      end

      # Carbon-dioxide content at a pressure and a saturation: emptier haemoglobin carries more (Haldane).
      def self.co2_content(pco2, saturation) = co2_of_pressure(pco2) + haldane(saturation)

      # The part of the content that follows the pressure.
      def self.co2_of_pressure(pco2) = CARBON_DIOXIDE * pco2**CO2_EXPONENT

      # The part of the content that follows the saturation.
      def self.haldane(saturation) = 0.053 * (0.975 - saturation)

      # The pressure at which blood holds that content: the inverse of {co2_content}.
      def self.pco2_at(content, saturation)
        ((content - haldane(saturation)) / CARBON_DIOXIDE)**(1 / CO2_EXPONENT)
      end
    end
  end
end
