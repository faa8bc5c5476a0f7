# frozen_string_literal: true

module Windlass
  module Presenters
    # What an athlete answered, newest first, and what clinicians answered of them.
    class ScreeningAnswers
      MOST_ANSWERED = 8
      UNREADABLE = "can not be read; what it says counts for nothing"

      # @param conditions [Array<String>] ids
      # @return [String] `no to all`, `yes to a cold today`
      def self.in_words(conditions)
        yes =
          Screening::MATRIX
            .conditions
            .select { |one| conditions.include?(one.id.to_s) }
            .map { |one| one.question.downcase }
        yes.empty? ? "no to all" : "yes to #{Words.list(yes)}"
      end

      # @param athlete [Records::Athlete]
      def initialize(athlete)
        @athlete = athlete
      end

      # @return [Array<Array(Records::Screening, String, Array<String>)>] newest first: what was answered, in words, and
      #   what was corrected
      def answered
        @athlete
          .screenings
          .sort_by { |one| [one.answered_on, one.id] }
          .reverse
          .first(MOST_ANSWERED)
          .map do |one|
            said = one.readable? ? ScreeningAnswers.in_words(one.conditions) : UNREADABLE
            [one, "#{Words.date(one.answered_on)}: #{said}.", Corrections.of(one)]
          end
      end

      Answer = Value.define(:id, :words)

      # @return [Array<Answer>] of clinicians, that nobody has done anything with yet
      def answers
        Records::Letter.waiting.where(athlete_id: @athlete.id).map do |letter|
          kinds = Screening::MATRIX.columns.filter_map do |key, words|
            words if letter.answer.fetch("families", []).include?(key.to_s)
          end
          said = "cleared for #{Words.list(kinds)}, until #{Words.date(Date.parse(letter.answer.fetch("expires_on")))}"
          answered = Words.date(letter.answered_at.getlocal.to_date)
          Answer.new(id: letter.id, words: "#{letter.answer.fetch("clinician")} answered on #{answered}: #{said}.")
        end
      end
    end
  end
end
