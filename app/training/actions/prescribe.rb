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
        raise Error, open.quiet_words if open&.quiet? && !Queries::Offer.measured_anew?(open)

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
        objection = Queries::Offer.objection(athlete, protocol, on: now.to_date, values: values, from: own.to_dose)
        raise Error, objection if objection

        create(
          athlete,
          protocol,
          Progression::Standing.at(Queries::Offer.ladder(athlete, protocol, now.to_date, values, from: own.to_dose), 0),
          own,
          now,
          state: "ended",
          run_once: true
        )
      end

      # Whom the screening bars for good, or whose sport does not ask for it, is not given it.
      def self.allowed!(athlete, protocol, own, now)
        unless protocol.for_disciplines?(athlete.disciplines)
          raise Error,
            "#{protocol.name} is only for those whose sport asks for it: #{Words.list(protocol.disciplines)}."
        end

        barred = Queries::Offer.barred(athlete, protocol, own&.to_dose, on: now.to_date)
        raise Error, "#{protocol.name} is not for #{athlete.name}. #{barred}" if barred
      end

      # A dose from the composer, with no name but the family's.
      Composed = Value.define(:to_dose) { def name = nil }

      # @return [Boolean] it was prescribed just so already: a second click changes nothing
      def self.same?(open, own) = open.own_name == own.name && Records::Record.dose(open.own_dose) == own.to_dose

      def self.write(athlete, protocol, own, open, ends, now)
        values = athlete.to_values
        from = own ? own.to_dose : Records::Record.dose(open&.own_dose)
        objection = Queries::Offer.objection(athlete, protocol, on: now.to_date, values: values, from: from)
        raise Error, objection if objection
        if open && own && open.id != ends
          raise Error,
            "It would end #{[open.name,
              Queries::Offer.place_words(open, now)].compact.join(", ")}. Run it once beside that, or " \
            "say that it ends."
        end

        standing = Progression::Standing.at(Queries::Offer.ladder(athlete, protocol, now.to_date, values, from: from),
          0)
        athlete.transaction do
          next begin_anew(open, standing) if open && own.nil?

          # Another click may have been quicker.
          newer = athlete.prescriptions.open.find_by(protocol: protocol.id)
          next newer if newer && (own.nil? || same?(newer, own))

          newer&.update!(state: "ended", quiet_since: nil)
          create(athlete, protocol, standing, own, now, replaces: newer)
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
      private_class_method :same?, :write, :begin_anew, :create, :allowed!
    end
  end
end
