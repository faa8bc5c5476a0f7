# frozen_string_literal: true

module Windlass
  module Physiology
    # Predicted lung volumes in litres.
    # Source: ECSC/ERS reference equations, Quanjer et al., Eur Respir J 1993; 6 Suppl 16:5-40 (from memory).
    module LungVolumes
      # The equations begin at 25 years; a younger adult is taken as 25.
      YOUNGEST_YEARS = 25

      # Lying, the belly pushes the diaphragm up: a quarter less at the end of a breath out, but never down to RV.
      LYING_SHARE = 0.75
      LEAST_RESERVE_L = 0.1

      EQUATIONS = {
        male: {
          tlc: ->(h, _age) { 7.99 * h - 7.08 },
          rv: ->(h, age) { 1.31 * h + 0.022 * age - 1.23 },
          frc: ->(h, age) { 2.34 * h + 0.009 * age - 1.09 }
        },
        female: {
          tlc: ->(h, _age) { 6.60 * h - 5.79 },
          rv: ->(h, age) { 1.81 * h + 0.016 * age - 2.00 },
          frc: ->(h, age) { 2.24 * h + 0.001 * age - 1.00 }
        }
      }.freeze

      # @return [Array(Float, Float, Float)] TLC, RV and seated FRC, litres
      def self.predict(sex:, height_cm:, age:, vital_capacity_l: nil)
        height_m = height_cm / 100.0
        years = [age, YOUNGEST_YEARS].max
        tlc, rv, frc = EQUATIONS.fetch(sex).values_at(:tlc, :rv, :frc).map { |equation| equation.call(height_m, years) }
        [vital_capacity_l ? rv + vital_capacity_l : tlc, rv, frc]
      end

      # @return [Float] FRC lying, litres
      def self.lying(frc, rv)
        [frc * LYING_SHARE, rv + LEAST_RESERVE_L].max
      end
    end
  end
end
