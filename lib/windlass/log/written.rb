# frozen_string_literal: true

module Windlass
  module Log
    # A session as one line, as {Line} reads it.
    module Written
      BREATHS = {smooth: "s", deeper: "d", gasp: "g"}.freeze

      # @param rounds [Array<Round>]
      # @return [String] `60 s u48 60 d x`
      def self.line(rounds) = rounds.map { |round| round(round) }.join(" ")

      def self.round(round)
        return "x" if round.skipped || round.held_s.nil? || round.held_s < Line::HELD_S.min

        low = round.sao2_low && "lo#{number(round.sao2_low * 100)}"
        [
          number(round.held_s),
          BREATHS[round.first_breath],
          marked("u", round.urge_s, round),
          marked("c", round.contraction_s, round),
          low
        ].compact.join(" ")
      end

      # To the millisecond; what lies after the hold is not told.
      def self.marked(letter, seconds, round) = ("#{letter}#{number(seconds)}" if seconds && seconds <= round.held_s)

      def self.number(seconds) = format("%.3f", seconds).sub(/\.?0+\z/, "")
      private_class_method :round, :marked, :number
    end
  end
end
