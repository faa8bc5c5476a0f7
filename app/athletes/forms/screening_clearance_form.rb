# frozen_string_literal: true

module Windlass
  module Forms
    # A clinician's word that some families may be used, until a day.
    class ScreeningClearanceForm < Form
      # Longer than a screening holds no clearance does.
      LONGEST_MONTHS = 12

      class Rules < Contract
        option :today

        params do
          optional(:uuid).filled(:string, :uuid_v4?)
          required(:clinician).filled(Types::Text)
          required(:given_on).filled(:date)
          required(:expires_on).filled(:date)
          required(:families).value(:array, min_size?: 1).each(
            :string,
            included_in?: Screening::MATRIX.columns.keys.map(&:to_s)
          )
        end

        rule(:clinician).validate(at_most_characters: 200)
        rule(:given_on) { outside(value, (today << LONGEST_MONTHS)..today)&.then { |fault| key.failure(fault) } }
        rule(:expires_on) { outside(value, today..(today >> LONGEST_MONTHS))&.then { |fault| key.failure(fault) } }
      end
      RULES = Rules
    end
  end
end
