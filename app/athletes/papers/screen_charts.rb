# frozen_string_literal: true

module Windlass
  module Papers
    # How a paper draws a chart of the screen, on the same places.
    module ScreenCharts
      private

      # Draws on the places of a chart of the screen.
      # @yieldparam x [Proc] of a place across
      # @yieldparam y [Proc] of a place down
      def on_chart(chart)
        scale = pdf.bounds.width / chart::WIDTH.to_f
        pdf.start_new_page if pdf.cursor < chart::HEIGHT * scale + 40
        top = pdf.cursor
        pdf.line_width(0.7)
        yield ->(place) { place * scale }, ->(place) { top - place * scale }
        pdf.move_cursor_to(top - chart::HEIGHT * scale - 4)
      end

      def rule(levels, chart, x, y)
        pdf.stroke_color(Paper::RULE)
        levels.each do |words, place|
          pdf.stroke { pdf.line([x[chart::LEFT], y[place]], [x[chart::RIGHT], y[place]]) }
          pdf.draw_text(words, at: [x[chart::LEFT] + 2, y[place] + 2], size: 7)
        end
      end

      def trace(path, x, y)
        places = path.to_s.scan(/(-?[\d.]+) (-?[\d.]+)/).map { |place| place.map(&:to_f) }
        if places.size > 1
          pdf.stroke do
            places.each_with_index do |(across, down), index|
              pdf.public_send(index.zero? ? :move_to : :line_to, x[across], y[down])
            end
          end
        end
      end

      def below(days, chart, x, y)
        days.each { |place, words| pdf.draw_text(words, at: [x[place] - 8, y[chart::HEIGHT - 8]], size: 7) if words }
      end
    end
  end
end
