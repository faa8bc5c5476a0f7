# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # The control pause over weeks: valid morning scores as full dots, doubtful or other ones hollow, the median of each
    # score's fortnight as a line, the bands as rules.
    class ControlPauseChart
      extend Forwardable

      WIDTH = 760
      HEIGHT = 320
      LEFT = 40
      RIGHT = 700
      TOP = 14
      BOTTOM = 282
      DAYS = 84

      Dot = Value.define(:x, :y, :full, :words)
      # @param control_pauses [Array<Measures::ControlPause>] in order of time
      # @param today [Date]
      # @param over_breathed [Array<Date>] days on which over-breathing was practised
      # @param falls [Boolean] a fall is expected, and is progress
      # @param diary [Array<#local_date, #feeling, #slept_h>]
      def initialize(control_pauses, today:, over_breathed: [], falls: false, diary: [])
        @diary = diary
        @over_breathed = over_breathed
        @falls = falls
        @today = today
        @first_day = today - (DAYS - 1)
        @pauses = control_pauses.select { |pause| (@first_day..today).cover?(pause.taken_at.to_date) }
        @series = Measures::MorningSeries.new(control_pauses)
        @x = Scale.of([0, DAYS - 1], [LEFT, RIGHT])
        @y = Scale.of([0, highest], [BOTTOM, TOP])
      end

      def_delegators :in_words, :trend_words, :after_words, :description, :median_words

      def empty? = @pauses.empty?

      # Newest last, so that it lies on top.
      def dots
        morning = Set.new.compare_by_identity.merge(@series.scores)
        @pauses.map do |pause|
          Dot.new(
            x: x_of(pause.taken_at.to_date),
            y: @y.place(pause.seconds),
            full: morning.include?(pause),
            words: "#{pause.taken_at.strftime("%-d %b")}: #{Words.seconds(pause.seconds)}"
          )
        end
      end

      # @return [Array<DiaryLines::Line>]
      def diary
        @lines ||= DiaryLines.of(@diary.select { |day|
          (@first_day..@today).cover?(day.local_date)
        }) { |day| x_of(day) }
      end

      # @return [String, nil] an SVG path
      def median_path
        return if mornings.size < 2

        @median_path ||= "M#{mornings.map { |day, _| "#{x_of(day)} #{@y.place(@series.baseline_s(day))}" }.join("L")}"
      end

      # @return [Array<Array(String, Float)>] the lines between bands, named by the band above
      def bands
        Measures::BANDS
          .each_cons(2)
          .filter_map do |below, above|
            [above.words, @y.place(below.below_s), below.below_s] if below.below_s < highest
          end
      end

      def weeks
        (0...DAYS).step(14).map { |day| [@x.place(day), (@first_day + day).strftime("%-d %b")] }
      end

      # @return [Array<Array(Date, Float)>] the valid morning scores that are drawn
      def mornings =
        @mornings ||= @series.within(@first_day, @today).map { |pause| [pause.taken_at.to_date, pause.seconds] }

      # @return [Trends::Slope, nil]
      def trend = @trend ||= @series.trend(@today)

      # @return [Float, nil] seconds, of the last fortnight
      def median = @median ||= @series.baseline_s(@today)

      # @return [Array<Float>] places of the days on which over-breathing was practised
      def over_breathed = @over_breathed.uniq.select { |day| (@first_day..@today).cover?(day) }.map { |day| x_of(day) }

      private

      def in_words =
        @in_words ||=
          ControlPauseWords.new(
            @pauses, @series, trend: trend, median: median, falls: @falls, over_breathed: @over_breathed, today: @today
          )

      def x_of(day) = @x.place((day - @first_day).to_i)

      def highest = [@pauses.map(&:seconds).max || 0, 30].max * 1.1
    end
  end
end
