# frozen_string_literal: true

module Windlass
  module Actions
    # Puts several athletes on one deck, each with today's dose, and chooses their starts. Whoever may not train is
    # named.
    module PlanSquad
      # @param prescriptions [Array<Records::Prescription>] in order of their names
      # @return [Records::Squad]
      # @raise [Error] where somebody can't take part, and why
      def self.call(account, prescriptions, now:)
        check_number(prescriptions)
        account.transaction do
          situations = PlanSession.situations_of(prescriptions.map(&:athlete), now: now)
          sessions = prescriptions.map { |prescription| planned(prescription, situations, now) }
          # Asked for twice, it is the same.
          if sessions.map(&:squad_id).uniq.one? && sessions.first.squad&.sessions&.ids&.sort == sessions.map(&:id).sort
            next sessions.first.squad
          end

          squad =
            Records::Squad.create!(
              account_id: account.id,
              uuid: SecureRandom.uuid,
              local_date: now.to_date,
              planned_at: now,
              gap_s: Squad::Stagger::GAP_S,
              latest_s: Squad::Stagger::LATEST_S
            )
          sessions.each_with_index do |session, lane|
            session.update!(squad: squad, lane: lane, pair_lane: nil, starts_s: 0)
          end
          squad.tap { |made| ArrangeSquad.call(made.reload) }
        end
      end

      def self.check_number(prescriptions)
        unless Squad::LANES.cover?(prescriptions.size)
          raise Error,
            "#{prescriptions.size} ticked; allowed: #{Squad::LANES.min} to #{Squad::LANES.max} athletes on one deck."
        end

        twice = prescriptions.group_by(&:athlete).find { |_, several| several.size > 1 } or return
        raise Error, "#{twice.first.name} is ticked twice; allowed: one protocol an athlete."
      end

      def self.planned(prescription, situations, now)
        session = PlanSession.call(prescription, now: now, situations: situations)
        raise Error, "is on the deck already." if session.state == "running"

        session
      rescue Error => refusal
        raise Error, "#{prescription.athlete.name}, #{prescription.name.downcase}: #{refusal.message}"
      end
      private_class_method :check_number, :planned
    end
  end
end
