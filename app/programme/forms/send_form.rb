# frozen_string_literal: true

module Windlass
  module Forms
    # Where a week is sent.
    class SendForm < Form
      ADDRESS = /\A[^@\s,;<>"]+@[^@\s,;<>"]+\.[^@\s,;<>"]+\z/

      class Rules < Contract
        params { required(:post_to).filled(Types::Text) }

        rule(:post_to).validate(at_most_characters: 200)
        rule(:post_to) do
          unless ADDRESS.match?(value)
            key.failure("#{Error.shown(value)} is no address; allowed: one, such as ines@example.org")
          end
        end
      end
      RULES = Rules
    end
  end
end
