# frozen_string_literal: true

module Windlass
  module Actions
    # Ends somebody's sign-in at once, everywhere. What they did stays on record.
    module ClosePerson
      # @raise [Error] where the house would have nobody who keeps it
      def self.call(person, now:)
        person.transaction do
          person.roles_on(now.to_date).each { |role| GiveRole.end(role, now: now) }
          person.update!(status_id: Records::Person::CLOSED, closed_at: now)
          SignIn.database[:person_active_sessions].where(person_id: person.id).delete
          SignIn.database[:person_remember_keys].where(id: person.id).delete
        end
      end
    end
  end
end
