# frozen_string_literal: true

module Windlass
  module Presenters
    # Twelve weeks as a strip of days: how much was held, how long the longest hold was, where the first urge came, and
    # which days had a gasp or were decided downwards.
    class DaysChart
      DAYS = 84
      WIDTH = 760
      HEIGHT = 176
      LEFT = 40
      RIGHT = 748
      HOLDS = [14, 84].freeze
      SUMS = [100, 146].freeze
      BAR = 5

      # What is drawn of a day: places; nil is not drawn.
      Day = Value.define(:x, :hold_y, :urge_y, :sum_y, :mark, :words)

      # @param held [Array<Queries::HeldDays::Held>]
      # @param moves [Array<Records::Move>] that stand
      # @param today [Date]
      def initialize(held, moves, today:)
        @held = held
        @down = moves.select { |move| %w[ease rest stop].include?(move.decided) }.map(&:local_date).to_set
        @first = today - (DAYS - 1)
        @x = Scale.of([0, DAYS - 1], [LEFT + BAR, RIGHT - BAR])
        @hold_y = Scale.of([0, longest], HOLDS.reverse)
        @sum_y = Scale.of([0, most], SUMS.reverse)
      end

      def empty? = @held.empty?

      def days
        @days ||=
          @held.map do |day|
            Day.new(
              x: @x.place((day.date - @first).to_i),
              hold_y: @hold_y.place(day.longest_s),
              urge_y: day.urge_s && @hold_y.place(day.urge_s),
              sum_y: @sum_y.place(day.sum_s),
              mark: mark(day),
              words: words(day)
            )
          end
      end

      # @return [Array<Array(Float, String)>] the beginnings of weeks, every other one named
      def weeks
        (0...DAYS)
          .select { |day| (@first + day).monday? }
          .each_with_index
          .map { |day, index| [@x.place(day), index.even? ? (@first + day).strftime("%-d %b") : nil] }
      end

      # @return [Array<Array(Float, String)>] places and words of what the two parts reach
      def levels = [[HOLDS.first, Words.hold(longest)], [SUMS.first, Words.hold(most)]]

      def title = "Holds of twelve weeks"

      # @return [Array<Array(String, String, String, Integer)>] day, longest hold, held in the day, gasps; newest first
      def rows =
        @rows ||=
          @held
            .sort_by(&:date)
            .reverse
            .map { |day| [Dates.short(day.date), Words.hold(day.longest_s), Words.length(day.sum_s), day.gasps] }

      def description
        return "No holds in the last 12 weeks." if empty?

        "#{Words.count(@held.size, "day")} with holds; the longest hold #{Words.hold(@held.map(&:longest_s).max)}, " \
        "the most in a day " \
          "#{Words.length(@held.map(&:sum_s).max)}; #{Words.count(@held.count { |day| day.gasps > 0 }, "day")} with " \
          "a gasp."
      end

      private

      def longest = [@held.map(&:longest_s).max || 0, 6].max

      def most = [@held.map(&:sum_s).max || 0, 60].max

      def mark(day)
        return :down if @down.include?(day.date)

        :gasp if day.gasps > 0
      end

      def words(day)
        "#{Dates.short(day.date)}: longest hold #{Words.hold(day.longest_s)}, #{Words.length(day.sum_s)} in " \
        "all#{", #{Words.count(day.gasps, "gasp")}" if day.gasps > 0}"
      end
    end
  end
end
