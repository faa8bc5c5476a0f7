# frozen_string_literal: true

module Windlass
  module Presenters
    # What is open to an athlete, what is in care, what needs a word, what is blocked, and why.
    class ScreeningSheet
      Row = Value.define(:words, :state, :reasons)

      STATE_WORDS = {open: "open", care: "care", clearance: "needs clearance", blocked: "blocked"}.freeze

      MOST_ANSWERED = 8

      # @param conditions [Array<String>] ids
      # @return [String] `no to all`, `yes to a cold today`
      def self.answers(conditions)
        yes =
          Screening::MATRIX
            .conditions
            .select { |one| conditions.include?(one.id.to_s) }
            .map { |one| one.question.downcase }
        yes.empty? ? "no to all" : "yes to #{Words.list(yes)}"
      end

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      def initialize(athlete, today:)
        @athlete = athlete
        @today = today
      end

      def name = athlete.name

      def id = athlete.id

      def form = Forms::ScreeningForm.from(newest, athlete)

      # @return [Array<Array(Records::Screening, String, Array<String>)>] newest first: what was answered, in words, and
      #   what was corrected
      def answered
        athlete
          .screenings
          .sort_by { |one| [one.answered_on, one.id] }
          .reverse
          .first(MOST_ANSWERED)
          .map do |one|
            said =
              one.readable? ? self.class.answers(one.conditions) : "can not be read; what it says counts for nothing"
            [one, "#{Words.date(one.answered_on)}: #{said}.", Corrections.of(one)]
          end
      end

      Answer = Value.define(:id, :words)

      # @return [Array<Answer>] of clinicians, that nobody has done anything with yet
      def answers
        Records::Letter.waiting.where(athlete_id: id).map do |letter|
          kinds = Screening::MATRIX.columns.filter_map do |key, words|
            words if letter.answer.fetch("families", []).include?(key.to_s)
          end
          said = "cleared for #{Words.list(kinds)}, until #{Words.date(Date.parse(letter.answer.fetch("expires_on")))}"
          answered = Words.date(letter.answered_at.getlocal.to_date)
          Answer.new(id: letter.id, words: "#{letter.answer.fetch("clinician")} answered on #{answered}: #{said}.")
        end
      end

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

      def newest = @newest ||= athlete.screenings.max_by { |one| [one.answered_on, one.id] }

      def screen = @screen ||= athlete.to_screen(on: @today)
    end
  end
end
