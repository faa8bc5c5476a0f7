# frozen_string_literal: true

module Windlass
  module Forms
    # The place where one trains: what the emergency card says. Each may stay empty.
    class PlaceForm < Form
      NUMBER = /\A\+?[0-9][0-9 ()\/-]{1,28}\z/

      class Rules < Contract
        params do
          optional(:emergency_number).maybe(Types::Text)
          optional(:site).maybe(Types::Text)
          optional(:oxygen_at).maybe(Types::Text)
          optional(:defibrillator_at).maybe(Types::Text)
        end

        rule(:emergency_number) do
          if value && !NUMBER.match?(value)
            key.failure("“#{value}” is no number to call; allowed: 2 to 30 digits, spaces, + at the beginning")
          end
        end
        %i[site oxygen_at defibrillator_at].each { |field| rule(field).validate(at_most_characters: 200) }
      end
      RULES = Rules

      # @return [Hash{Symbol => String}] what was left empty is empty
      def columns = %i[emergency_number site oxygen_at defibrillator_at].to_h { |field| [field, values[field].to_s] }
    end
  end
end
