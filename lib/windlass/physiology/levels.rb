# frozen_string_literal: true

module Windlass
  module Physiology
    # How full the lungs are, by name: the five levels that a protocol may ask for.
    module Levels
      # Share of the inspiratory capacity above the passive level; residual is measured from RV instead.
      ABOVE_PASSIVE = {passive: 0.0, easy: 0.20, big: 0.60, full: 0.95}.freeze
      RESIDUAL_SHARE = 0.05

      ALL = [:residual, *ABOVE_PASSIVE.keys].freeze

      # @return [Hash{Symbol => Float}] litres of lung gas at each level, dead space not counted
      def self.volumes_l(body)
        residual = body.rv_l + RESIDUAL_SHARE * (body.frc_l - body.rv_l)
        above = ABOVE_PASSIVE.transform_values { |share| body.frc_l + share * body.inspiratory_capacity_l }
        {residual: residual, **above}.freeze
      end
    end
  end
end
