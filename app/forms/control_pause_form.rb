# frozen_string_literal: true

module Windlass
  module Forms
    class ControlPauseForm < Form
      SECONDS = (0.5..300.0)
      # Scores from a notebook may be this old.
      DAYS_BACK = 365

      class Rules < Contract
        option :today

        params do
          required(:uuid).filled(:string, :uuid_v4?)
          required(:seconds).filled(Types::Seconds)
          required(:ended_by).filled(:string, included_in?: Measures::ENDINGS.keys.map(&:to_s))
          required(:first_breath).filled(:string, included_in?: Measures::FIRST_BREATHS.keys.map(&:to_s))
          required(:on_waking).filled(:bool)
          required(:taken_on).filled(:date)
          optional(:note).maybe(:string)
        end

        rule(:seconds).validate(within: SECONDS)
        rule(:note).validate(at_most_characters: 1000)
        rule(:taken_on).validate(lately: DAYS_BACK)
      end
      RULES = Rules
    end
  end
end
