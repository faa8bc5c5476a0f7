# frozen_string_literal: true

module Windlass
  module Screening
    # A clinician's word that some columns may be used, until a day.
    Clearance = Value.define(:columns, :given_on, :expires_on) do
      def covers?(column, on) = columns.include?(column) && (given_on..expires_on).cover?(on)
    end

    # What a column is to one athlete on one day, and why. A state of :clearance lacks the word that would lift it.
    Finding = Value.define(:column, :state, :reasons) do
      # Whether hold work of this column may go on.
      def allows? = %i[open care].include?(state)
    end

    # An athlete's answers, with what clinicians and guardians have said.
    Screen = Value.define(:answered_on, :conditions, :clearances, :guardian_consent_on, :age) do
      # @param answered_on [Date, nil] nil: never screened
      # @param conditions [Array<Symbol>] answered with yes
      # @param age [Integer] on the day asked about
      def initialize(answered_on:, age:, conditions: [], clearances: [], guardian_consent_on: nil)
        super
      end

      # @param column [Symbol, nil] nil is always open: quiet breathing
      # @param on [Date]
      # @return [Finding]
      def finding(column, on:)
        return Finding.new(column: nil, state: :open, reasons: []) if column.nil?

        refusals = [out_of_date(on), Ages.refusal(age, column), consent_missing].compact
        return Finding.new(column: column, state: refusals.first.first, reasons: refusals.map(&:last)) if refusals.any?

        by_conditions(column, on)
      end

      private

      def out_of_date(on)
        return [:blocked, "Not screened yet."] if answered_on.nil?

        due = answered_on >> VALID_MONTHS
        [:blocked, "The screening of #{Words.date(answered_on)} is older than twelve months."] if on >= due
      end

      def consent_missing
        [:clearance, "A guardian's consent is missing."] if age < Ages::ADULT && guardian_consent_on.nil?
      end

      def by_conditions(column, on)
        concerns = MATRIX.concerns(conditions, column)
        strictest = concerns.first&.last || :open
        cleared = strictest == :clearance && clearances.any? { |one| one.covers?(column, on) }
        Finding.new(column: column, state: cleared ? :care : strictest,
          reasons: concerns.map { |condition, state| "#{condition.question}: #{WORDS.fetch(state)}." } + (cleared ? ["Cleared by a clinician."] : []))
      end
    end

    VALID_MONTHS = 12
    WORDS = {care: "care", clearance: "needs a clinician's clearance", blocked: "blocked"}.freeze

    # What age leaves open. Common practice, cautiously set; no source.
    module Ages
      ADULT = 18
      # From this age on, these columns too.
      FROM = {0 => %i[voice], 12 => %i[small breath], 16 => %i[tables], ADULT => MATRIX.columns.keys}.freeze

      # @return [Array(Symbol, String), nil] a state and its reason
      def self.refusal(age, column)
        allowed = FROM.select { |from, _| age >= from }.values.flatten
        [:blocked, "Not at #{age} years."] unless allowed.include?(column)
      end

      # At 16 and 17 holds of tables are at most half of the maximal one.
      # @return [Numeric, nil] seconds; nil: age sets no limit
      def self.longest_hold_s(age, maximal_hold_s) = (maximal_hold_s/2r if age < ADULT && maximal_hold_s)
    end
  end
end
