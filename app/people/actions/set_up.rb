# frozen_string_literal: true

module Windlass
  module Actions
    # The first person of a house: its keeper, and the coach of everybody who is there already or comes.
    module SetUp
      # @param form [Forms::PersonForm]
      # @param code [String] as the server printed it
      # @param alone [Boolean] they train themselves, and nobody else
      # @return [Records::Person]
      # @raise [Error] where the house has somebody, or the code is another
      def self.call(house, form, code:, now:, alone: false)
        house.with_lock do
          raise Error, "This house is set up already. Ask its keeper for an invitation." if Records::Person.any?
          raise Error, "That is not the code. It stands where the server was started." unless SetupCode.right?(code)

          person = AddPerson.call(house, form, now: now)
          person.roles.create!(kind: "keeper", from_on: now.to_date)
          person.roles.create!(kind: "coach", of_all: true, from_on: now.to_date)
          house.update!(alone: alone)
          SetupCode.done
          person
        end
      end
    end
  end
end
