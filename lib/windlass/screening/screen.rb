# frozen_string_literal: true

module Windlass
  module Screening
    # An athlete's answers, with what clinicians and guardians have said. What is dated ahead does not count yet.
    # @param answered_on [Date, nil] nil: never screened
    # @param conditions [Array<Symbol>] answered with yes
    # @param age [Integer] on the day asked about
    Screen =
      Value.define(:answered_on, :age, conditions: [], clearances: [], guardian_consent_on: nil) do
        # @param column [Symbol, nil] nil is always open: quiet breathing
        # @param on [Date]
        # @return [Finding]
        def finding(column, on:)
          return Finding.new(column: nil, state: :open, reasons: []) if column.nil?

          refusals = [out_of_date(on), Ages.refusal(age, column), (consent_missing(on) if Ages.minors?(column))].compact
          return by_conditions(column, on) if refusals.empty?

          Finding.new(
            column: column,
            state: refusals.first.state,
            reasons: refusals.map(&:text),
            lifts: refusals.map(&:lifts).join(" ")
          )
        end

        # @param column [Symbol, nil]
        # @return [String, nil] why it is closed, whatever day it is and whoever clears it
        def barred(column)
          return if column.nil?

          concerns = MATRIX.concerns(conditions, column).select { |_, state| state == :blocked }
          [
            Ages.refusal(age, column)&.text,
            *concerns.map { |condition, state| "#{condition.question}: #{WORDS.fetch(state)}." }
          ].compact.join(" ").then { |words| words unless words.empty? }
        end

        private

        def out_of_date(on)
          if answered_on.nil?
            return Refusal.new(state: :blocked, text: "Not screened yet.", lifts: "Until the screening is answered.")
          end
          if answered_on > on
            return (
              Refusal.new(
                state: :blocked,
                text: "The screening is dated ahead.",
                lifts: "From #{Words.date(answered_on)} on."
              )
            )
          end

          if on >= (answered_on >> VALID_MONTHS)
            Refusal.new(
              state: :blocked,
              text: "The screening of #{Words.date(answered_on)} is older than twelve months.",
              lifts: "Until it is answered anew."
            )
          end
        end

        def consent_missing(on)
          return unless age < Ages::ADULT

          if guardian_consent_on.nil?
            Refusal.new(
              state: :clearance,
              text: "A guardian's consent is missing.",
              lifts: "Until the consent is on record."
            )
          elsif guardian_consent_on > on
            Refusal.new(
              state: :clearance,
              text: "The guardian's consent is dated ahead.",
              lifts: "From #{Words.date(guardian_consent_on)} on."
            )
          end
        end

        def by_conditions(column, on)
          concerns = MATRIX.concerns(conditions, column)
          strictest = concerns.first&.last || :open
          cleared = strictest == :clearance && clearances.any? { |one| one.covers?(column, on) }
          Finding.new(
            column: column,
            state: cleared ? :care : strictest,
            lifts: LIFTS[strictest],
            concerned: concerns.map { |condition, _| condition.question },
            reasons:
              concerns.map { |condition, state| "#{condition.question}: #{WORDS.fetch(state)}." } +
                (cleared ? ["Cleared by a clinician."] : [])
          )
        end
      end

    LIFTS = {
      clearance: "Record the missing clearance.",
      blocked: "Until the screening says otherwise."
    }.freeze
  end
end
