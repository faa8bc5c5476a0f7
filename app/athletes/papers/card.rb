# frozen_string_literal: true

module Windlass
  module Papers
    # One page for the poolside: the breath line, the rounds as a table, cautions. Large enough to be read wet.
    class Card < Paper
      # How large everything is on which paper.
      SIZES = {"A5" => 1.0, "A4" => 1.4}.freeze
      LINE_HEIGHT = 80
      # What fits one page; what comes after that is said, not printed.
      MOST_ROWS = 13

      # @param sheet [Presenters::PrescriptionSheet]
      # @param size [String] of {SIZES}
      def initialize(sheet, size: "A5")
        super(size, sheet.title)
        @sheet = sheet
        @timeline = sheet.timeline
        @scale = SIZES.fetch(size)
      end

      private

      def write
        heading(@sheet.athlete.name, 20 * @scale)
        text("#{@sheet.name}, #{Presenters::Dates.long(@sheet.today)}", size: 13 * @scale)
        text(@sheet.dose, size: 13 * @scale, style: :bold)
        line
        table
        @sheet.cautions.each { |caution| text(caution, size: 10.5 * @scale) }
        @sheet.notes.each { |note| text(note, size: 10.5 * @scale) }
      end

      # The same line as everywhere: planned lung volume over time, holds tinted.
      def line
        points = Timeline::VolumeTrace.points(@timeline, @sheet.body)
        low, high = points.map(&:last).minmax
        top = pdf.cursor
        x = Presenters::Scale.of([0, @timeline.total_ms / 1000.0], [0, pdf.bounds.width])
        y = Presenters::Scale.of([low, [high, low + 1.0].max], [top - height + 8, top - 8])
        pdf.fill_color(TINT)
        @timeline.holds.each do |hold|
          pdf.fill_rectangle(
            [x.place(hold.start_ms / 1000.0), top],
            x.place(hold.end_ms / 1000.0) - x.place(hold.start_ms / 1000.0),
            height
          )
        end
        pdf.fill_color(INK)
        pdf.line_width(0.9)
        pdf.stroke do
          points.each_with_index do |(t, litres), index|
            index.zero? ? pdf.move_to(x.place(t), y.place(litres)) : pdf.line_to(x.place(t), y.place(litres))
          end
        end
        pdf.move_cursor_to(top - height - 8)
      end

      def height = LINE_HEIGHT * @scale

      def table
        list =
          @timeline.holds.each_with_index.map do |hold, index|
            [
              (index + 1).to_s,
              *(how(hold) if told_apart?),
              hold.segment.open? ? "to #{Words.hold(hold.ms / 1000.0)} at most" : Words.hold(hold.ms / 1000.0),
              rest_after(index),
              "",
              ""
            ]
          end
        return parts if list.empty?

        head = ["Hold", *("How" if told_apart?), "Held for", "Then breathe", "Urge", "First breath"]
        rows([head, *list.first(MOST_ROWS)], size: 11.5 * @scale)
        quiet(more(list)) if list.size > MOST_ROWS
      end

      # Holds differ in more than their length: sides, levels, locks.
      def told_apart? = @timeline.holds.map { |hold| how(hold) }.uniq.size > 1

      # @return [String] `Hold, full; root lock, after in left`
      def how(hold)
        before = @timeline.placed.reverse.find { |place| place.end_ms <= hold.start_ms }&.segment
        side = before.route if before && %i[left right].include?(before.route)
        [hold.segment.cue, ("after #{(before.kind == :inhale) ? "in" : "out"} #{side}" if side)].compact.join(", ")
      end

      # Alike is what a row above says, whatever its number and the breathing after it.
      def more(list)
        shown, others = list.first(MOST_ROWS), list.drop(MOST_ROWS)
        alike = (others.map { |row| row[1...-3] } - shown.map { |row| row[1...-3] }).empty?
        "And #{Words.count(others.size, "hold")} more#{alike ? " like these" : ": see the deck"}."
      end

      # What has no holds is told part by part, the same ones once.
      def parts
        told =
          @timeline
            .segments
            .filter_map { |segment| [segment.cue, Words.hold(segment.ms / 1000.0)] if segment.cue }
            .tally
        rows(
          [%w[Part For Times], *told.first(MOST_ROWS - 3).map { |(cue, length), times| [cue, length, times.to_s] }],
          size: 11.5 * @scale
        )
      end

      def rest_after(index)
        hold, following = @timeline.holds[index, 2]
        following ? Words.hold((following.start_ms - hold.end_ms) / 1000.0) : "done"
      end
    end
  end
end
