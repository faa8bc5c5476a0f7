# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # What is open to an athlete, what is in care, what needs a word, what is blocked, and why.
    class ScreeningSheet
      extend Forwardable

      Row = Value.define(:words, :state, :reasons)

      STATE_WORDS = {open: "open", care: "care", clearance: "needs clearance", blocked: "blocked"}.freeze

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      def initialize(athlete, today:)
        @athlete = athlete
        @today = today
      end

      def_delegators :athlete, :name, :id
      def_delegators :said, :answered, :answers

      def form = Forms::ScreeningForm.from(newest, athlete)

      def questions = Screening::MATRIX.conditions

      def minor? = athlete.age_on(@today) < Screening::Ages::ADULT

      # @return [String] when it was answered, or that it was not
      def state
        if newest && !newest.readable?
          return "What was answered on #{Words.date(newest.answered_on)} can not be read: answer it anew."
        end

        if newest
          "Answered on #{Words.date(newest.answered_on)}; repeat by " \
          "#{Words.date(newest.answered_on >> Screening::VALID_MONTHS)}."
        else
          "Not answered yet."
        end
      end

      # @return [Array<Row>] one a column
      def rows
        @rows ||=
          Screening::MATRIX.columns.map do |column, words|
            finding = screen.finding(column, on: @today)
            Row.new(words: words, state: finding.state, reasons: finding.reasons)
          end
      end

      # @return [Array<Array(String, String)>] state and the columns in it, strictest first
      def summary
        return [[STATE_WORDS.fetch(:open), "everything"]] if rows.all? { |row| row.state == :open }

        Screening::STATES.reverse.filter_map do |state|
          words = rows.select { |row| row.state == state }.map(&:words)
          [STATE_WORDS.fetch(state), Words.list(words)] if words.any?
        end
      end

      def columns = Screening::MATRIX.columns

      # @return [Array<Array(String, String)>] clearances that hold today, and their uuids
      def clearances
        athlete
          .clearances
          .select { |one| (one.given_on..one.expires_on).cover?(@today) }
          .map do |one|
            [
              "#{one.clinician}: #{Words.list(one.families.map { |family| columns.fetch(family.to_sym) })}, until " \
              "#{Words.date(one.expires_on)}",
              one.uuid
            ]
          end
      end

      private

      def said = @said ||= ScreeningAnswers.new(athlete)

      def newest = @newest ||= athlete.newest_screening

      def screen = @screen ||= athlete.to_screen(on: @today)
    end
  end
end
