# frozen_string_literal: true

module Windlass
  module Screening
    # A clinician's word that some columns may be used, until a day.
    Clearance =
      Value.define(:columns, :given_on, :expires_on) do
        def covers?(column, on) = columns.include?(column) && (given_on..expires_on).cover?(on)
      end

    # What a column is to one athlete on one day, why, and what would lift it. A state of :clearance lacks the word that
    # would.
    # concerned: the conditions that it is about, as they are asked.
    Finding =
      Value.define(:column, :state, :reasons, lifts: nil, concerned: []) do
        # Whether hold work of this column may go on.
        def allows? = %i[open care].include?(state)
      end

    # Why not, whatever the conditions are, and what lifts it.
    Refusal = Value.define(:state, :text, :lifts)

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
      clearance: "Until the clearance that is missing is on record.",
      blocked: "Until the screening says otherwise."
    }.freeze
    VALID_MONTHS = 12
    WORDS = {care: "care", clearance: "needs a clinician's clearance", blocked: "blocked"}.freeze

    # What age leaves open. Common practice, cautiously set; no source.
    module Ages
      ADULT = 18
      SMALL_HOLDS_FROM = 12
      # From this age on, these columns too.
      FROM = {
        0 => %i[voice],
        SMALL_HOLDS_FROM => %i[small breath],
        16 => %i[tables],
        ADULT => MATRIX.columns.keys
      }.freeze

      # @return [Refusal, nil] lifted by a birthday alone
      def self.refusal(age, column)
        least = FROM.find { |_, columns| columns.include?(column) }.first
        Refusal.new(state: :blocked, text: "Not at #{age} years.", lifts: "From #{least} years on.") if age < least
      end

      # @return [Boolean] it is open to some who are under age
      def self.minors?(column) = FROM.any? { |least, columns| least < ADULT && columns.include?(column) }

      # @return [Refusal]
      def self.too_young(least) =
        Refusal.new(state: :blocked, text: "Not under #{least} years.", lifts: "From #{least} years on.")

      # @param planned_s [Numeric, nil] the longest hold that is planned
      # @return [Refusal, nil] a hold over half of the best, under age
      def self.too_long(age, planned_s, maximal_hold_s)
        longest_s = longest_hold_s(age, maximal_hold_s)
        return unless longest_s && planned_s && planned_s > longest_s

        Refusal.new(
          state: :blocked,
          text:
            "Under #{ADULT} no hold is longer than half of the maximal one: #{Words.seconds(planned_s)} is over " \
            "#{Words.seconds(longest_s)}.",
          lifts: "At a lower rung, or from #{ADULT} years on."
        )
      end

      # At 16 and 17 every hold is at most half of the maximal one.
      # @return [Numeric, nil] seconds; nil: age sets no limit
      def self.longest_hold_s(age, maximal_hold_s) = (maximal_hold_s/2r if age < ADULT && maximal_hold_s)
    end
  end
end
