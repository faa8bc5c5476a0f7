# frozen_string_literal: true

module Windlass
  module Actions
    # Plans what is to be run today without a network. Who was not asked yet is asked on the deck.
    module TakeAlong
      # deck: its path. refused: why it can't be taken along.
      Taken = Value.define(:name, :title, :path, :refused)

      # @param ids [Array<String>] of prescriptions
      # @return [Array<Taken>] of the squads of today that are not over, too
      def self.call(account, ids, now:)
        chosen =
          account.of(Records::Prescription)
            .where(id: ids)
            .includes(:athlete)
            .sort_by { |one| [one.athlete.name.downcase, one.id] }
        situations = PlanSession.situations_of(chosen.map(&:athlete).uniq, now: now)
        chosen.map { |prescription| alone(prescription, situations, now) } + together(account, now)
      end

      def self.alone(prescription, situations, now)
        path = "/sessions/#{PlanSession.call(prescription, now: now, situations: situations).uuid}/deck"
        Taken.new(name: prescription.athlete.name, title: prescription.name, path: path, refused: nil)
      rescue Error => refusal
        Taken.new(name: prescription.athlete.name, title: prescription.name, path: nil, refused: refusal.message)
      end

      def self.together(account, now)
        account.of(Records::Squad)
          .where(local_date: now.to_date)
          .includes(sessions: :athlete)
          .reject { |squad| squad.over? || squad.sessions.empty? }
          .map do |squad|
            Taken.new(
              name: Words.list(squad.sessions.map { |session| session.athlete.name }),
              title: "Together",
              path: "/squads/#{squad.uuid}/deck",
              refused: nil
            )
          end
      end
      private_class_method :alone, :together
    end
  end
end
