# frozen_string_literal: true

module Windlass
  module Actions
    # Gives an athlete a protocol, dosed from the newest measures. One open prescription a protocol.
    module Prescribe
      # @return [Records::Prescription, nil] nil where a measure is missing
      def self.call(athlete, protocol, now:)
        open = athlete.prescriptions.open.find_by(protocol: protocol.id)
        return open if open && !open.quiet?
        return if open && protocol.holds? && !measured_since?(athlete, open.quiet_since)

        standing = Progression::Standing.of(protocol, athlete.to_values) or return
        open ? begin_anew(open, standing) : create(athlete, protocol, standing, now)
      end

      def self.measured_since?(athlete, moment)
        athlete.control_pauses.any? { |pause| pause.valid? && pause.taken_at > moment }
      end

      def self.begin_anew(prescription, standing)
        prescription.update!(state: "active", quiet_since: nil, dose: standing.dose, reduced: false)
        prescription
      end

      def self.create(athlete, protocol, standing, now)
        athlete.prescriptions.create!(account_id: athlete.account_id, protocol: protocol.id, dose: standing.dose,
          started_on: now.to_date)
      end
      private_class_method :measured_since?, :begin_anew, :create
    end
  end
end
