# frozen_string_literal: true

module Windlass
  module Actions
    # Signs a person out on one of their devices, or on all others.
    module EndSignIn
      # @param session_id [String] as the page names it
      def self.call(person, session_id) =
        SignIn.database[:person_active_sessions].where(person_id: person.id, session_id: session_id).delete
    end
  end
end
