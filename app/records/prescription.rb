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

      # Why it can't be run on that day: a suspension, the screening, or a measure that is waited for.
      # @return [String, nil]
      def hindrance_on(date)
        bound = to_protocol.holds? ? athlete.suspension_on(date) : nil
        return bound.reason if bound

        finding = athlete.to_screen(on: date).finding(to_protocol.column, on: date)
        return finding.reasons.join(" ") unless finding.allows?

        "Quiet breathing for now, until a new control pause has been taken." if quiet?
      end

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
