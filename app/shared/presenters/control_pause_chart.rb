# frozen_string_literal: true

module Windlass
  module Presenters
    # The control pause over weeks: valid morning scores as full dots, doubtful or other ones hollow, the median of each
    # score's fortnight as a line, the bands as rules.
    class ControlPauseChart
      WIDTH = 760
      HEIGHT = 320
      LEFT = 40
      RIGHT = 700
      TOP = 14
      BOTTOM = 282
      DAYS = 84

      # Hours of sleep stand on the axis, so many places an hour.
      HOUR = 3

      Dot = Value.define(:x, :y, :full, :words)
      # A line of the diary: hours slept as a bar, how somebody felt as a number above it.
      Line = Value.define(:x, :height, :feeling, :words)

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

      # @return [Array<Line>]
      def diary
        @lines ||=
          @diary
            .select { |day| (@first_day..@today).cover?(day.local_date) }
            .map do |day|
              feeling = Records::Day::FEELINGS[day.feeling]
              Line.new(
                x: x_of(day.local_date),
                height: day.slept_h.to_f * HOUR,
                feeling: day.feeling,
                words: [
                  day.local_date.strftime("%-d %b"),
                  feeling,
                  ("slept #{Words.number(day.slept_h)} h" if day.slept_h)
                ].compact.join(", ")
              )
            end
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

      # Change is spoken of only where the interval leaves no room for none.
      # @return [String, nil]
      def trend_words
        return if trend.nil?
        return "No clear change over six weeks." unless trend.clear?

        "Over six weeks #{signed(trend.slope)} s a week (#{signed(trend.low)} to " \
        "#{signed(trend.high)})#{", as expected: that is progress" if @falls && trend.high < 0}."
      end

      # @return [Array<Float>] places of the days on which over-breathing was practised
      def over_breathed = @over_breathed.uniq.select { |day| (@first_day..@today).cover?(day) }.map { |day| x_of(day) }

      # @return [String, nil] whether the mornings after them are lower
      def after_words = (Measures::MorningsAfter.of(@series, @over_breathed, @today)&.in_words if @over_breathed.any?)

      def description
        return "No control pause in the last twelve weeks." if empty?

        "#{Words.count(@pauses.size, "score")} in twelve weeks, #{Words.seconds(@pauses.map(&:seconds).min)} to " \
          "#{Words.seconds(@pauses.map(&:seconds).max)}. #{median_words.sub(/\A./, &:upcase)}"
      end

      def median_words
        median ? "median of the last fortnight #{Words.seconds(median)}." : "none valid in the last fortnight."
      end

      private

      def signed(seconds) = format("%+.1f", seconds)

      def x_of(day) = @x.place((day - @first_day).to_i)

      def highest = [@pauses.map(&:seconds).max || 0, 30].max * 1.1
    end
  end
end
