# frozen_string_literal: true

module Windlass
  module Actions
    # Makes somebody a part of the house, with a sign-in name and a password.
    module AddPerson
      # @param form [Forms::PersonForm]
      # @return [Records::Person]
      # @raise [InvalidInput] where the name is taken, or the password is too weak
      def self.call(house, form, now:)
        Records::Person.transaction do
          person = create(house, form.values, now)
          SetPassword.call(person, form.values[:password])
          person
        end
      end

      def self.create(house, values, now)
        Records::Person.create!(
          account_id: house.id, uuid: SecureRandom.uuid, made_at: now, **values.slice(:name, :login)
        )
      rescue ActiveRecord::RecordNotUnique
        raise InvalidInput, ["sign-in name: “#{values[:login]}” is taken"]
      end
      private_class_method :create
    end
  end
end
