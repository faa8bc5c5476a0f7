# frozen_string_literal: true

module Windlass
  module Forms
    # Plain yes or no to every question; a guardian's consent where the athlete is under age.
    class ScreeningForm < Form
      class Rules < Contract
        option :today

        params do
          optional(:uuid).filled(:string, :uuid_v4?)
          required(:answers).hash do
            Screening::MATRIX.conditions.each { |condition| required(condition.id).filled(:bool) }
          end
          optional(:guardian_consent_on).maybe(:date)
        end

        rule(:guardian_consent_on) do
          fault = value && outside(value, (today << 12)..today)
          key.failure(fault) if fault
        end
      end
      RULES = Rules

      # @param screening [Records::Screening, nil] the newest answers, where there are some; what can not be read
      #   answers nothing
      # @param athlete [Records::Athlete] what is known of without a questionnaire
      def self.from(screening, athlete)
        screening = nil unless screening&.readable?
        known =
          if screening
            screening.conditions
          else
            [("nervous" if athlete.nervous), ("sleep_signs" if athlete.sleep_signs)].compact
          end
        answers =
          Screening::MATRIX.conditions.to_h do |one|
            [one.id.to_s, (screening || known.include?(one.id.to_s)) ? known.include?(one.id.to_s).to_s : ""]
          end
        blank(answers: answers, guardian_consent_on: screening&.guardian_consent_on.to_s)
      end

      # @return [Array<String>] conditions answered with yes
      def conditions = values[:answers].select { |_, yes| yes }.keys.map(&:to_s)
    end
  end
end
