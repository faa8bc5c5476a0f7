# frozen_string_literal: true

module Windlass
  module Actions
    # Gives a person a password, by the same rules as when they change it themselves.
    module SetPassword
      # @raise [InvalidInput] what is wrong with it
      def self.call(person, password)
        SignIn.rodauth.change_password(account_id: person.id, new_password: password)
      rescue Rodauth::InternalRequestError => error
        raise InvalidInput, ["password: #{error.field_errors.values.first || error.message}"]
      end
    end
  end
end
