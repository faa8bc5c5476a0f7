# frozen_string_literal: true

module Windlass
  module Presenters
    # What is to be minded of a dose: cautions of the protocol, and those that the screening and the model add.
    module TodaysCautions
      CARE = "A forecast hold falls under the planning floor: somebody beside, and an oximeter on."

      # @param athlete [Records::Athlete]
      # @param protocol [Protocols::Protocol]
      # @param dose [Hash]
      # @param care [Boolean] a hold falls under the planning floor
      # @return [Array<String>]
      def self.of(athlete, protocol, dose, today, care:)
        screen = athlete.to_screen(on: today)
        findings = protocol.columns(dose).map { |column| screen.finding(column, on: today) }
        protocol.cautions + findings.select { |one| one.state == :care }.flat_map(&:reasons).uniq + [*(CARE if care)]
      end
    end
  end
end
