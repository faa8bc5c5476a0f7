# frozen_string_literal: true

module Windlass
  module Actions
    # Gives somebody a role, from a day on and perhaps until one: coach, assistant, keeper; sharing, handing over and
    # covering are nothing else.
    module GiveRole
      # @param role [Hash] kind, athlete_id, group_id, of_all, from_on, until_on
      # @return [Records::Role] the one that is there already, where it says the same
      def self.call(person, role)
        same = person.roles.where(role.except(:from_on, :until_on)).find { |one| one.until_on == role[:until_on] }
        same || person.roles.create!(role)
      end

      # Ends a role at this moment; its last day is the day before.
      # @param role [Records::Role]
      # @raise [Error] where the house would have nobody who keeps it
      def self.end(role, now:)
        role.person.account.with_lock do
          raise Error, "Somebody has to keep the house. Name another keeper first." if last_keeper?(role, now.to_date)

          role.update!(until_on: now.to_date - 1, ended_at: now)
        end
      end

      def self.last_keeper?(role, today)
        return false unless role.kind == "keeper"

        Records::Role.on(today).where(kind: "keeper",
          person_id: Records::Person.open.select(:id)).where.not(id: role.id).none?
      end
      private_class_method :last_keeper?
    end
  end
end
