# frozen_string_literal: true

module Windlass
  module Forms
    # Somebody agrees to what is kept; for somebody under age a guardian does, with their name.
    class ConsentForm < Form
      class Rules < Contract
        option :minor

        params { optional(:guardian).maybe(Types::Text) }

        rule(:guardian).validate(at_most_characters: 80)
        rule(:guardian) { key.failure("is missing: who agrees for them") if minor && value.to_s.empty? }
      end
      RULES = Rules

      # @return [String] empty where nobody has to agree for them
      def guardian(minor) = minor ? values[:guardian].to_s : ""
    end
  end
end
