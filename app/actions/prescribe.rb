# frozen_string_literal: true

module Windlass
  module Actions
    # Gives an athlete a protocol, dosed from the newest measures, or one of the coach's own. One open prescription a family.
    module Prescribe
      # @param own [#name, #to_dose, nil] a dose to begin from, and a name where it has one
      # @return [Records::Prescription]
      # @raise [Error] where the athlete is not offered it: why, and what would be needed
      def self.call(athlete, protocol, now:, own: nil)
        raise Error, "#{protocol.name} is only for those whose sport asks for it: #{Words.list(protocol.disciplines)}." unless protocol.for_disciplines?(athlete.disciplines)

        protocol = protocol.named(own&.name)
        open = athlete.prescriptions.open.find_by(protocol: protocol.id)
        return open if open && !open.quiet? && (own.nil? || same?(open, own))
        raise Error, open.quiet_words if open&.quiet? && !measured_anew?(open)

        write(athlete, protocol, own, open, now)
      end

      # A dose from the composer, with no name but the family's.
      Composed = Value.define(:to_dose) do
        def name = nil
      end

      # @return [Boolean] it was prescribed just so already: a second click changes nothing
      def self.same?(open, own) = open.own_name == own.name && Records::Record.dose(open.own_dose) == own.to_dose

      # @param bounds [Hash] of the ladder besides those of the athlete: from, limits
      # @return [String, nil] why the athlete is not offered a protocol
      def self.objection(athlete, protocol, on:, values: athlete.to_values, **bounds)
        ladder = ladder(athlete, protocol, on, values, **bounds)
        return if ladder.offered_at_all?

        ladder.cut || protocol.lacking(values) || "Not offered: #{ladder.passed || "its start passes a limit of this athlete's"}."
      end

      # Its start: nothing above it is asked for here.
      def self.ladder(athlete, protocol, on, values, limits: {}, **bounds)
        Progression::Ladder.new(protocol, values, most: 1, limits: {**limits, **athlete.switches}, **bounds, **athlete.to_bounds(on: on, values: values))
      end

      def self.write(athlete, protocol, own, open, now)
        values = athlete.to_values
        from = own ? own.to_dose : Records::Record.dose(open&.own_dose)
        objection = objection(athlete, protocol, on: now.to_date, values: values, from: from)
        raise Error, objection if objection

        standing = Progression::Standing.at(ladder(athlete, protocol, now.to_date, values, from: from), 0)
        athlete.transaction do
          next begin_anew(open, standing) if open && own.nil?

          # Another click may have been quicker.
          newer = athlete.prescriptions.open.find_by(protocol: protocol.id)
          next newer if newer && (own.nil? || same?(newer, own))

          newer&.update!(state: "ended", quiet_since: nil)
          create(athlete, protocol, standing, own, now)
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
          started_on: now.to_date, own_name: own&.name, own_dose: own&.to_dose)
      end
      private_class_method :same?, :ladder, :write, :begin_anew, :create
    end

    # Ends a prescription; it can be taken up again, where nothing of its family was prescribed since.
    module EndPrescription
      def self.call(prescription) = prescription.update!(state: "ended", quiet_since: nil)

      # @raise [Error]
      def self.undo(prescription)
        newer = prescription.athlete.prescriptions.open.find_by(protocol: prescription.protocol)
        raise Error, "#{newer.name} is prescribed already. End that one first." if newer && newer.id != prescription.id

        prescription.update!(state: "active") if prescription.state == "ended"
      end
    end
  end
end
