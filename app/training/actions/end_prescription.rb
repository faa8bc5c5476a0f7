# frozen_string_literal: true

module Windlass
  module Actions
    # Ends a prescription; it can be taken up again, where nothing of its family was prescribed since.
    module EndPrescription
      def self.call(prescription) = prescription.update!(state: "ended", quiet_since: nil)

      # What was prescribed a moment ago ends, and what it ended runs again, as it was.
      # @return [Records::Prescription] that runs
      # @raise [Error] once something of it was run
      def self.withdraw(prescription)
        raise Error, "#{prescription.name} has been run already: end it instead." if prescription.sessions.run.any?

        prescription.transaction do
          call(prescription)
          prescription.replaces&.update!(state: "active")
        end
        prescription.replaces || prescription
      end

      # @raise [Error]
      def self.undo(prescription)
        newer = prescription.athlete.prescriptions.open.find_by(protocol: prescription.protocol)
        raise Error, "#{newer.name} is prescribed already. End that one first." if newer && newer.id != prescription.id

        prescription.update!(state: "active") if prescription.state == "ended"
      end
    end
  end
end
