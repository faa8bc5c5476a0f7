# frozen_string_literal: true

module Windlass
  module Records
    # A protocol for an athlete: the dose that they have, and the limits that the coach set.
    class Prescription < Record
      self.table_name = "prescriptions"
      belongs_to :athlete
      has_many :moves
      has_many :sessions

      scope :open, -> { where.not(state: "ended") }

      def quiet? = state == "quiet"

      # Quiet breathing, until a measure newer than this has been taken.
      def fall_quiet(now) = update!(state: "quiet", quiet_since: now, reduced: false)

      # @return [Protocols::Protocol]
      def to_protocol = Protocols.find(protocol)

      # @param values [Measures::Values]
      # @return [Progression::Standing, nil] nil where the measures do not offer the protocol
      def to_standing(values = athlete.to_values)
        Progression::Standing.of(to_protocol, values, dose: Record.dose(dose),
          limits: Record.dose(limits), reduced: reduced)
      end
    end
  end
end
