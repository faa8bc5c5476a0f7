# frozen_string_literal: true

module Windlass
  module Actions
    # Gives an athlete a protocol, dosed from the newest measures, or one of the coach's own. One open prescription a family.
    module Prescribe
      # @param own [Records::OwnProtocol, nil] a dose and a name to begin from
      # @return [Records::Prescription]
      # @raise [Error] where the athlete is not offered it: why, and what would be needed
      def self.call(athlete, protocol, now:, own: nil)
        raise Error, "#{protocol.name} is only for those whose sport asks for it: #{Words.list(protocol.disciplines)}." unless asked_for?(athlete, protocol)

        open = athlete.prescriptions.open.find_by(protocol: protocol.id)
        return open if open && !open.quiet? && own.nil?
        raise Error, open.quiet_words if open&.quiet? && !measured_anew?(open)

        write(athlete, protocol, own, open, now)
      end

      # A drill that some schools never do is opted into by the athlete's discipline.
      def self.asked_for?(athlete, protocol) = !protocol.opt_in? || athlete.disciplines.intersect?(protocol.disciplines)

      # @param bounds [Hash] of the ladder besides those of the athlete: from, limits
      # @return [String, nil] why the athlete is not offered a protocol
      def self.objection(athlete, protocol, on:, values: athlete.to_values, **bounds)
        ladder = ladder(athlete, protocol, on, values, **bounds)
        return if ladder.offered_at_all?

        ladder.cut || protocol.lacking(values) || "Not offered: its start passes a limit of this athlete's."
      end

      # Its start: nothing above it is asked for here.
      def self.ladder(athlete, protocol, on, values, **bounds)
        Progression::Ladder.new(protocol, values, most: 1, **bounds, **athlete.to_bounds(on: on, values: values))
      end

      def self.write(athlete, protocol, own, open, now)
        values = athlete.to_values
        from = own ? own.to_dose : Records::Record.dose(open&.own_dose)
        objection = objection(athlete, protocol, on: now.to_date, values: values, from: from)
        raise Error, objection if objection

        standing = Progression::Standing.at(ladder(athlete, protocol, now.to_date, values, from: from), 0)
        athlete.transaction do
          open&.update!(state: "ended", quiet_since: nil) if own
          (open && own.nil?) ? begin_anew(open, standing) : create(athlete, protocol, standing, own, now)
        end
      end

      # What was waited for may be any measure that doses are computed from. Without holds there is nothing to wait for.
      # @param prescription [Records::Prescription] that has fallen quiet
      # @return [Boolean] it may begin anew
      def self.measured_anew?(prescription)
        return true unless prescription.to_protocol.holds?

        prescription.athlete.measures.reload.any? do |measure|
          measure.taken_at > prescription.quiet_since && (measure.control_pause? ? measure.to_control_pause.valid? : measure.kind == "maximal_hold")
        end
      end

      def self.begin_anew(prescription, standing)
        prescription.update!(state: "active", quiet_since: nil, dose: standing.dose, reduced: false)
        prescription
      end

      def self.create(athlete, protocol, standing, own, now)
        athlete.prescriptions.create!(account_id: athlete.account_id, protocol: protocol.id, dose: standing.dose,
          started_on: now.to_date, own_name: own&.name, own_dose: own&.dose)
      end
      private_class_method :ladder, :write, :begin_anew, :create
    end
  end
end
