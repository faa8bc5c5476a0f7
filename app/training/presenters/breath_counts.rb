# frozen_string_literal: true

module Windlass
  module Presenters
    # First breaths of rounds, counted: `12 smooth, 1 gasp`.
    module BreathCounts
      KINDS = {"smooth" => "smooth", "deeper" => "deeper", "gasp" => "gasps"}.freeze
      NONE = "–"

      # @param rounds [Enumerable<#first_breath>]
      # @return [String]
      def self.in_words(rounds)
        counts = rounds.filter_map(&:first_breath).tally
        words = KINDS.filter_map { |kind, many| Words.count(counts[kind], kind, many) if counts[kind] }
        words.empty? ? NONE : words.join(", ")
      end
    end
  end
end
