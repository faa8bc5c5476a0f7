# frozen_string_literal: true

module Windlass
  module Physiology
    # One person as the gas model sees them: lung volumes, gas stores and resting flows.
    # Units stand in the names: `_l` litres BTPS, `_mmhg`, `_l_min` litres a minute (gas STPD, blood as it flows).
    Body =
      Value.define(
        :sex, :age, :height_cm, :mass_kg, :vital_capacity_l, :posture, :thrift, :barometric_mmhg, :haemoglobin_g_l
      ) do
        # @param sex [Symbol] :male or :female, at birth: it sets lung size
        # @param posture [Symbol] :seated or :lying
        # @param thrift [Float] oxygen use while holding as a share of that at rest, 0.6-1.2
        # @raise [InvalidValue] where a measured vital capacity leaves no room above FRC
        def initialize(
          sex:, age:, height_cm:, mass_kg:, vital_capacity_l: nil, posture: :seated, thrift: 1.0,
          barometric_mmhg: 760.0, haemoglobin_g_l: nil
        )
          @tlc_l, @rv_l, seated_frc_l =
            LungVolumes.predict(sex: sex.to_sym, height_cm: height_cm, age: age, vital_capacity_l: vital_capacity_l)
          @frc_l = (posture.to_sym == :lying) ? LungVolumes.lying(seated_frc_l, @rv_l) : seated_frc_l
          refuse_small(vital_capacity_l) if @tlc_l <= @frc_l
          @levels = Levels.volumes_l(self)
          super(
            sex: sex.to_sym, posture: posture.to_sym, age: age, height_cm: height_cm, mass_kg: mass_kg,
            vital_capacity_l: vital_capacity_l, thrift: thrift.to_f, barometric_mmhg: barometric_mmhg.to_f,
            haemoglobin_g_l: haemoglobin_g_l
          )
        end

        # Lung volumes; FRC is the end of a quiet breath out in this posture. Litres.
        attr_reader :tlc_l, :rv_l, :frc_l

        def inspiratory_capacity_l = tlc_l - frc_l

        # @param level [Symbol, Numeric] one of {Levels::ALL}, or a share of the inspiratory capacity above the passive
        #   one
        # @return [Float] lung gas at that level, litres
        def level_l(level)
          return frc_l + level * inspiratory_capacity_l if level.is_a?(Numeric)

          @levels.fetch(level) { raise Unknown.new("lung level", level, Levels::ALL) }
        end

        # Pressure of dry gas: 47 mmHg of the whole is water vapour at body temperature.
        def dry_mmhg = barometric_mmhg - 47.0

        # Turns litres STPD into litres BTPS.
        def btps = 310.15 / 273.15 * 760.0 / dry_mmhg

        def vo2_l_min = 0.0035 * mass_kg

        def cardiac_output_l_min = 0.070 * mass_kg

        def dead_space_l = 0.0022 * mass_kg

        def venous_blood_l = 0.050 * mass_kg

        # Oxygen capacity of blood, L O2 per L: 1.34 mL a gram of haemoglobin (150 g/L men, 135 g/L women).
        def haemoglobin_capacity = 1.34 * (haemoglobin_g_l || ((sex == :male) ? 150 : 135)) / 1000.0

        # Carbon-dioxide capacity of fast and slow tissue, L per mmHg.
        def fast_tissue_l_mmhg = 0.35e-3 * mass_kg

        def slow_tissue_l_mmhg = 1.2e-3 * mass_kg

        # Alveolar ventilation that keeps PCO2 at 40 at rest, L/min BTPS (863 = K x D at every pressure).
        def resting_ventilation_l_min = 863.0 * vo2_l_min * RESPIRATORY_QUOTIENT / 40.0

        # @param cycle_s [Numeric] from one breath in to the next
        # @return [Float] size of a breath that keeps PCO2 at 40 at rest, litres
        def needed_breath_l(cycle_s) = resting_ventilation_l_min * cycle_s / 60.0 + dead_space_l

        # Largest quiet breath, litres.
        def largest_breath_l = 0.8 * inspiratory_capacity_l

        private

        def refuse_small(vital_capacity_l)
          raise InvalidValue.new(
            "vital capacity (L)",
            vital_capacity_l,
            "more than #{(frc_l - rv_l).round(2)}, so that full lungs hold more than resting ones"
          )
        end
      end
  end
end
