# frozen_string_literal: true

module Windlass
  module Presenters
    # A ladder as knots on a line, the current one filled, the next one spelled out as the one change it makes.
    class LadderLine
      Knot = Value.define(:rung, :current, :passed, :care, :words)

      # @param standing [Progression::Standing]
      def initialize(standing)
        @standing = standing
      end

      def knots
        @standing.ladder.rungs.each_with_index.map do |dose, rung|
          Knot.new(
            rung: rung,
            current: rung == @standing.rung,
            passed: rung < @standing.rung,
            care: care?(rung),
            words: "#{rung_words(dose, rung)}#{", with care: buddy and oximeter" if care?(rung)}"
          )
        end
      end

      def place
        "Rung #{@standing.rung + 1} of #{@standing.ladder.rungs.size}#{", half the rounds" if @standing.reduced}"
      end

      def next_step
        return "Next: the whole of this rung" if @standing.reduced

        lever, now, later = @standing.ladder.change_after(@standing.rung)
        return "Logged, not laddered" unless @standing.protocol.laddered?
        return top_words if lever.nil?

        "Next: #{lever.words} #{value(lever, now)} → #{value(lever, later)}"
      end

      private

      # Of a session of blocks what a rung changes: the whole of it again and again nobody would read.
      def rung_words(dose, rung)
        return @standing.protocol.in_words(dose) if @standing.protocol.blocks_in_words(dose).empty?
        return "As composed" if rung.zero?

        lever, now, later = @standing.ladder.change_after(rung - 1)
        "#{lever.words.capitalize}: #{value(lever, now)} → #{value(lever, later)}"
      end

      # Holds of this rung are forecast to fall under the planning floor.
      def care?(rung) = @standing.ladder.care?(rung)

      def top_words =
        @standing.ladder.cut ? "Top rung for now: #{@standing.ladder.cut}" : "Top rung: take a new measure"

      def value(lever, number)
        names = lever.names
        return names.fetch(number) if names

        (lever.unit == :s) ? Words.hold(number) : Words.number(number)
      end
    end
  end
end
