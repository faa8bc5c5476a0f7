# frozen_string_literal: true

module Windlass
  module Presenters
    # What somebody may say they felt.
    class Felt
      def initialize(today:)
        @today = today
      end

      # @return [Array<Array(String, Hash, String)>] legend, symptoms and the look of their boxes
      def groups
        all = Progression::Symptoms
        [["", all::WARNINGS.merge(all::OTHERS), ""], ["After these you hold no breath until somebody has looked at it",
          all::STOPS, "stop"]]
      end

      def strengths = Progression::Symptoms::STRENGTHS

      # @return [Hash{String => String}]
      def days =
        ["today", "yesterday", "the day before"].each_with_index.to_h { |words, ago| [(@today - ago).iso8601, words] }
    end
  end
end
