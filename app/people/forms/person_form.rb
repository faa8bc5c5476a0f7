# frozen_string_literal: true

module Windlass
  module Forms
    # Somebody who signs in: how they are called, by what name they sign in, and a password.
    class PersonForm < Form
      class Rules < Contract
        params do
          required(:name).filled(Types::Text)
          required(:login).filled(Types::Text.constructor { |typed| typed.is_a?(::String) ? typed.downcase : typed })
          required(:password).filled(:string)
        end

        rule(:name).validate(at_most_characters: 80)
        rule(:login) do
          unless value.match?(/\A[^\s]{3,120}\z/)
            key.failure("“#{value}” is not allowed; allowed: 3 to 120 characters, without spaces")
          end
        end
        rule(:password) do
          key.failure("has #{value.length} characters; needed: #{SignIn::LEAST_PASSWORD} or more") if value.length <
            SignIn::LEAST_PASSWORD
        end
      end
      RULES = Rules
    end
  end
end
