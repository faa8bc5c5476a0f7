# frozen_string_literal: true

module Windlass
  module Actions
    # Before something that leaves the house: whoever sits there is still the one who signed in.
    module ProvePassword
      # @param person [Records::Person]
      # @param password [String]
      # @raise [Error] where it is not theirs; tries count as at the sign-in
      def self.call(person, password)
        return unless asked?(person)

        unless SignIn.rodauth.valid_login_and_password?(login: person.login, password: password)
          raise Error, "That is not your password. Nothing was saved."
        end
      rescue Rodauth::InternalRequestError
        raise Error, "That is not your password. Nothing was saved."
      end

      # @return [Boolean] who came in by a press of the demo has none
      def self.asked?(person) =
        !person.login.nil? && SignIn.database[:person_password_hashes].where(id: person.id).any?
    end
  end
end
