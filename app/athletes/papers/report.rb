# frozen_string_literal: true

module Windlass
  module Papers
    # An athlete's twelve weeks: scores, holds, steps, what worked, in words and charts. The charts are those of the
    # sheet.
    class Report < Paper
      include ScreenCharts

      MOST_STEPS = 40

      # @param sheet [Presenters::AthleteSheet]
      # @param steps [Presenters::Steps]
      def initialize(sheet, steps)
        super("A4", "Twelve weeks of #{sheet.name}")
        @sheet = sheet
        @steps = steps
      end

      private

      def write
        heading(@sheet.name)
        text("Twelve weeks to #{Words.date(@sheet.today)}. #{@sheet.about}")
        [@sheet.going.in_words, @sheet.pause_words].compact.each { |words| text(words) }
        scores
        holds
        worked
        steps
      end

      def scores
        heading("Control pause", 15)
        chart = @sheet.chart
        return quiet("None taken in these weeks.") if chart.empty?

        on_chart(chart.class) do |x, y|
          rule(chart.bands.map { |words, place, _| [words, place] }, chart.class, x, y)
          pdf.stroke_color(INK)
          trace(chart.median_path, x, y)
          chart.dots.each { |dot| pdf.public_send(dot.full ? :fill_circle : :stroke_circle, [x[dot.x], y[dot.y]], 1.6) }
          below(chart.weeks, chart.class, x, y)
        end
        text([chart.description, chart.trend_words].compact.join(" "))
      end

      def holds
        heading("Holds", 15)
        chart = @sheet.days
        return quiet("Nothing was held in these weeks.") if chart.empty?

        on_chart(chart.class) do |x, y|
          pdf.fill_color(DEEP)
          bottoms = [chart.class::HOLDS.last, chart.class::SUMS.last]
          chart.days.each do |day|
            [day.hold_y, day.sum_y].zip(bottoms) do |top, bottom|
              pdf.fill_rectangle(
                [x[day.x - chart.class::BAR / 2.0], y[top]],
                x[chart.class::BAR] - x[0],
                y[top] - y[bottom]
              )
            end
          end
          pdf.fill_color(INK)
          rule(chart.levels.map(&:reverse), chart.class, x, y)
          below(chart.weeks, chart.class, x, y)
        end
        quiet("Above: the longest hold of each day. Below: all that was held on it.")
        text(chart.description)
      end

      def worked
        heading("What worked", 15)
        @steps.sentences.each { |words| text(words) }
        quiet("Nothing was judged in these weeks.") if @steps.sentences.empty?
      end

      def steps
        return if @steps.rows.empty?

        heading("Steps", 15)
        rows(
          [%w[Day Protocol Decided Then], *@steps.rows.first(MOST_STEPS)],
          widths: {
            0 => 70,
            1 => 120,
            2 => 80
          },
          size: 10
        )
        quiet("And #{@steps.rows.size - MOST_STEPS} more.") if @steps.rows.size > MOST_STEPS
      end
    end
  end
end
