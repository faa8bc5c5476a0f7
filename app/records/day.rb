# frozen_string_literal: true

module Windlass
  module Records
    # What an athlete says on one day, before training.
    class Day < Record
      self.table_name = "days"
      belongs_to :athlete

      # @return [Array<Symbol>]
      def to_answers = answers.map(&:to_sym)

      def says?(answer) = answers.include?(answer.to_s)
    end
  end
end
