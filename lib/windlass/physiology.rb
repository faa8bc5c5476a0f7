# frozen_string_literal: true

module Windlass
  # What a session does to lungs and blood. A teaching model, never a medical or diving-safety device.
  # Equations and constants: docs/gas-model.md. The constants were fitted together: change none alone.
  module Physiology
    # Oxygen in fresh dry air, as a fraction.
    INSPIRED_OXYGEN = 0.2093

    # Carbon dioxide made per oxygen used.
    RESPIRATORY_QUOTIENT = 0.82

    # Fast tissue's share of blood flow and of carbon-dioxide production.
    FAST_SHARE = 0.75
    SLOW_SHARE = 1 - FAST_SHARE

    # Extra cardiac output per litre of oxygen used above rest.
    EXERTION_FLOW = 5.5

    # Time constant with which the metabolic rate follows effort, seconds.
    EFFORT_LAG_S = 30.0

    # Alveolar oxygen under which a look ahead stops: nobody is conscious there, mmHg.
    LOOK_AHEAD_END_MMHG = 5.0
    LOOK_AHEAD_S = 600.0

    # Quiet breathing before every session, so that it starts from a settled body.
    LEAD_IN_S = 900.0
    RESTING_RATE = 12

    # Planning floor of saturation in the lungs' blood; a coach may set a higher one.
    PLANNING_FLOOR = 0.85

    # Washout of carbon dioxide from which a hold counts as over-breathed, mmHg.
    OVER_BREATHED_MMHG = 3.0
    STRONGLY_OVER_BREATHED_MMHG = 6.0

    # Alveolar oxygen at which consciousness is lost, mmHg. Lindholm and Lundgren, J Appl Physiol 2009 (from memory).
    DANGER_MMHG = (20.0..30.0)

    # A margin of this many seconds or more is clear.
    CLEAR_MARGIN_S = 20.0
    # A hold that spends this share of the way to the floor is near it: its margin is said. A round number of our own.
    NEAR_FLOOR_SHARE = 0.8

    FRESH_AIR = Air.new(INSPIRED_OXYGEN, 0.0, 1 - INSPIRED_OXYGEN).freeze

    # Who stands in where nobody is known: the body of the worked figures, gas-model.md 7.
    REFERENCE_BODY = Body.new(sex: :male, age: 30, height_cm: 178, mass_kg: 75)

    # The alveolar gas equation.
    module AlveolarGas
      # @return [Float] alveolar oxygen, mmHg
      def self.po2(dry_mmhg, pco2:, respiratory_quotient: RESPIRATORY_QUOTIENT)
        INSPIRED_OXYGEN * dry_mmhg - pco2 * (INSPIRED_OXYGEN + (1 - INSPIRED_OXYGEN) / respiratory_quotient)
      end
    end
  end
end
