# frozen_string_literal: true

module Windlass
  module Presenters
    # A measure over time: a dot a day, joined; nothing more.
    class MeasureChart
      WIDTH = 560
      HEIGHT = 150
      LEFT = 44
      RIGHT = 540
      TOP = 12
      BOTTOM = 120

      Dot = Value.define(:x, :y, :words)

      # @param taken [Array<Measures::Taken>] in order of time
      # @param kind [Measures::Kind]
      def initialize(taken, kind)
        @taken = taken
        @kind = kind
        days = taken.map { |one| one.taken_at.to_date.jd }
        first, last = days.minmax
        @x = Scale.of([first, (last == first) ? first + 1 : last], [LEFT, RIGHT])
        @y = Scale.of([0, highest], [BOTTOM, TOP])
      end

      def title = "#{@kind.name} over time"

      def dots
        @taken.map do |one|
          Dot.new(
            x: @x.place(one.taken_at.to_date.jd),
            y: @y.place(one.value),
            words: "#{Dates.short(one.taken_at.to_date)}: #{@kind.value_words(one.value)}"
          )
        end
      end

      def path = "M#{dots.map { |dot| "#{dot.x} #{dot.y}" }.join("L")}"

      STEPS = [1, 2, 5, 10, 15, 30, 60, 120, 300].freeze
      MOST_LEVELS = 4

      # @return [Array<Array(Float, String)>] places and words of round values
      def levels =
        Ticks
          .of(highest, STEPS, MOST_LEVELS)
          .map { |value| [@y.place(value), (@kind.unit == "s") ? Words.hold(value) : Words.number(value)] }

      # @return [Array<Array(Float, String, String)>] place, day, and where the words stand to it
      def days
        [
          [dots.first.x, Dates.short(@taken.first.taken_at.to_date), "first"],
          ([dots.last.x, Dates.short(@taken.last.taken_at.to_date), "last"] if @taken.size > 1)
        ].compact
      end

      def description =
        "#{Words.count(@taken.size, "measure")}, the newest #{@kind.value_words(@taken.last.value)}. The numbers " \
        "stand in the table."

      private

      def highest = [(@taken.map(&:value).max * 1.15).ceil, 4].max
    end
  end
end
