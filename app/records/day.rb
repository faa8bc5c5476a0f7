# frozen_string_literal: true

module Windlass
  module Records
    # What an athlete says on one day, before training.
    class Day < Record
      self.table_name = "days"
      reads :answers
      belongs_to :athlete

      # From worn out to fresh.
      FEELINGS = {1 => "worn out", 2 => "tired", 3 => "so-so", 4 => "good", 5 => "fresh"}.freeze

      # @return [Array<Symbol>]
      def to_answers = answers.map(&:to_sym)

      # @return [String] `well`, or what is so
      def in_words
        said = to_answers.map { |answer| Progression::TodaysQuestions::ALL.fetch(answer) }
        said.empty? ? "well" : Words.list(said)
      end

      def says?(answer) = answers.include?(answer.to_s)
    end
  end
end
