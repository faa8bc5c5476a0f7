# frozen_string_literal: true

module Windlass
  module Forms
    # A clinician's word that hold work may begin again.
    class ClearanceForm < Form
      class Rules < Contract
        option :today
        option :opened_on

        params do
          required(:clinician).filled(Types::Text)
          required(:cleared_on).filled(:date)
        end

        rule(:clinician).validate(at_most_characters: 200)
        rule(:cleared_on) { outside(value, opened_on..today)&.then { |fault| key.failure(fault) } }
      end
      RULES = Rules
    end
  end
end
