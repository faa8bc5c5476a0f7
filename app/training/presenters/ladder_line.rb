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
            words: "#{@standing.protocol.in_words(dose)}#{", with care: buddy and oximeter" if care?(rung)}"
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
