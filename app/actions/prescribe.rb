# frozen_string_literal: true

module Windlass
  module Actions
    # Gives an athlete a protocol, dosed from the newest measures, or one of the coach's own. One open prescription a
    # family.
    module Prescribe
      # @param own [#name, #to_dose, nil] a dose to begin from, and a name where it has one
      # @param ends [Integer, nil] the prescription of that family that it ends: said by whoever prescribes
      # @return [Records::Prescription]
      # @raise [Error] where the athlete is not offered it: why, and what would be needed; or where it would end one
      #   unsaid
      def self.call(athlete, protocol, now:, own: nil, ends: nil)
        allowed!(athlete, protocol, own, now)
        protocol = protocol.named(own&.name)
        open = athlete.prescriptions.open.find_by(protocol: protocol.id)
        return open if open && !open.quiet? && (own.nil? || same?(open, own))
        raise Error, open.quiet_words if open&.quiet? && !measured_anew?(open)

        write(athlete, protocol, own, open, ends, now)
      end

      # @param own [#to_dose, #name] as composed
      # @return [Records::Prescription] of its own, for one session: what runs of that family goes on as it is
      def self.once(athlete, protocol, own:, now:)
        allowed!(athlete, protocol, own, now)
        protocol = protocol.named(own.name)
        waiting =
          athlete
            .prescriptions
            .where(protocol: protocol.id, run_once: true)
            .find { |one| !one.over? && same?(one, own) }
        return waiting if waiting

        values = athlete.to_values
        objection = objection(athlete, protocol, on: now.to_date, values: values, from: own.to_dose)
        raise Error, objection if objection

        create(
          athlete,
          protocol,
          Progression::Standing.at(ladder(athlete, protocol, now.to_date, values, from: own.to_dose), 0),
          own,
          now,
          state: "ended",
          run_once: true
        )
      end

      # @param dose [Hash, nil] nil: the family's own
      # @return [String, nil] why the screening or the age bars it for good; what a clearance would lift is no such
      #   thing
      def self.barred(athlete, protocol, dose, on:)
        screen = athlete.to_screen(on: on)
        columns = dose ? protocol.columns(dose) : protocol.asked_columns
        reasons = columns.filter_map { |column| screen.barred(column) }
        reasons.uniq.join(" ") if reasons.any?
      end

      # @return [String] `rung 3 of 8, since 12 October 2026`
      def self.place_words(open, now)
        standing = open.quiet? ? nil : open.to_standing(on: now.to_date)
        if standing
          ["rung #{standing.rung + 1} of #{standing.ladder.rungs.size}", "since #{Words.date(open.started_on)}"].join(
            ", "
          )
        end
      end

      # Whom the screening bars for good, or whose sport does not ask for it, is not given it.
      def self.allowed!(athlete, protocol, own, now)
        unless protocol.for_disciplines?(athlete.disciplines)
          raise Error,
            "#{protocol.name} is only for those whose sport asks for it: #{Words.list(protocol.disciplines)}."
        end

        barred = barred(athlete, protocol, own&.to_dose, on: now.to_date)
        raise Error, "#{protocol.name} is not for #{athlete.name}. #{barred}" if barred
      end

      # A dose from the composer, with no name but the family's.
      Composed = Value.define(:to_dose) { def name = nil }

      # @return [Boolean] it was prescribed just so already: a second click changes nothing
      def self.same?(open, own) = open.own_name == own.name && Records::Record.dose(open.own_dose) == own.to_dose

      # @param bounds [Hash] of the ladder besides those of the athlete: from, limits
      # @return [String, nil] why the athlete is not offered a protocol
      def self.objection(athlete, protocol, on:, values: athlete.to_values, **bounds)
        ladder = ladder(athlete, protocol, on, values, **bounds)
        return if ladder.offered_at_all?

        ladder.cut || protocol.lacking(values) ||
          "Not offered: #{ladder.passed || "its start passes a limit of this athlete's"}."
      end

      # Its start: nothing above it is asked for here.
      def self.ladder(athlete, protocol, on, values, limits: {}, **bounds)
        Progression::Ladder.new(
          protocol,
          values,
          most: 1,
          limits: {
            **limits,
            **athlete.switches
          },
          **bounds,
          **athlete.to_bounds(on: on, values: values)
        )
      end

      def self.write(athlete, protocol, own, open, ends, now)
        values = athlete.to_values
        from = own ? own.to_dose : Records::Record.dose(open&.own_dose)
        objection = objection(athlete, protocol, on: now.to_date, values: values, from: from)
        raise Error, objection if objection
        if open && own && open.id != ends
          raise Error,
            "It would end #{[open.name, place_words(open, now)].compact.join(", ")}. Run it once beside that, or " \
            "say that it ends."
        end

        standing = Progression::Standing.at(ladder(athlete, protocol, now.to_date, values, from: from), 0)
        athlete.transaction do
          next begin_anew(open, standing) if open && own.nil?

          # Another click may have been quicker.
          newer = athlete.prescriptions.open.find_by(protocol: protocol.id)
          next newer if newer && (own.nil? || same?(newer, own))

          newer&.update!(state: "ended", quiet_since: nil)
          create(athlete, protocol, standing, own, now, replaces: newer)
        end
      end

      # What was waited for may be any measure that doses are computed from. Without holds there is nothing to wait for.
      # @param prescription [Records::Prescription] that has fallen quiet
      # @return [Boolean] it may begin anew
      def self.measured_anew?(prescription)
        return true unless prescription.to_protocol.holds?

        prescription.athlete.measures.reload.any? do |measure|
          measure.taken_at > prescription.quiet_since &&
            (measure.control_pause? ? measure.to_control_pause.valid? : measure.kind == "maximal_hold")
        end
      end

      def self.begin_anew(prescription, standing)
        prescription.update!(state: "active", quiet_since: nil, dose: standing.dose, reduced: false)
        prescription
      end

      def self.create(athlete, protocol, standing, own, now, **more)
        RenderWords.later(own&.to_dose)
        athlete.prescriptions.create!(
          account_id: athlete.account_id,
          protocol: protocol.id,
          dose: standing.dose,
          started_on: now.to_date,
          own_name: own&.name,
          own_dose: own&.to_dose,
          **more
        )
      end
      private_class_method :same?, :ladder, :write, :begin_anew, :create, :allowed!
    end

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
