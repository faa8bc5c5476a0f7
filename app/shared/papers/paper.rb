# frozen_string_literal: true

require "prawn"
require "prawn/table"

module Windlass
  # What is printed: PDF whose text can be searched.
  module Papers
    # A sheet of paper with the letters of the application.
    class Paper
      FONTS = File.expand_path("../../../data/fonts", __dir__)
      INK = "16212B"
      QUIET = "55636E"
      DEEP = "1F4E5F"
      RULE = "D8D2C4"
      TINT = "E4EAEB"
      FOOT =
        "Windlass plans and explains. It is no medical or diving-safety device: a clinician, a licensed instructor " \
        "and local rules come first."

      # @param size [String] `A4`, `A5`
      # @param title [String] of the file
      # @param layout [Symbol] :portrait or :landscape
      def initialize(size, title, layout: :portrait)
        @pdf =
          Prawn::Document.new(
            page_size: size,
            page_layout: layout,
            margin: 36,
            info: {
              Title: title,
              Creator: "Windlass"
            }
          )
        @pdf.font_families.update(
          "Barlow" => {
            normal: File.join(FONTS, "BarlowCondensed_500Medium.ttf"),
            bold: File.join(FONTS, "BarlowCondensed_600SemiBold.ttf")
          }
        )
        @pdf.font("Barlow")
        # Words that are searched for are found: blanks are blanks.
        @pdf.default_kerning(false)
        @pdf.fill_color(INK)
      end

      # @return [String] bytes
      def to_s
        write
        foot
        @pdf.render
      end

      private

      attr_reader :pdf

      def heading(words, size = 22)
        pdf.text(words, size: size, style: :bold)
      end

      def text(words, size: 12, **how)
        pdf.text(words, size: size, leading: 2, **how)
        pdf.move_down(4)
      end

      def quiet(words, size: 10)
        pdf.fill_color(QUIET)
        text(words, size: size)
        pdf.fill_color(INK)
      end

      def gap = pdf.move_down(8)

      def rows(rows, widths: {}, header: true, size: 12)
        pdf.table(
          rows,
          header: header,
          width: pdf.bounds.width,
          column_widths: widths,
          cell_style: {
            borders: [:bottom],
            border_color: RULE,
            padding: [3, 4],
            size: size
          }
        ) { row(0).font_style = :bold if header }
        gap
      end

      # A line to write on, with what it is for.
      def blank(words) = rows([[words, ""]], widths: {0 => 150}, header: false)

      # A box to tick.
      def tick(words)
        y = pdf.cursor
        pdf.stroke_rectangle([0, y - 1], 10, 10)
        pdf.indent(18) { text(words) }
      end

      def foot
        pdf.repeat(:all) do
          pdf.fill_color(QUIET)
          pdf.text_box(FOOT, at: [0, 4], width: pdf.bounds.width, height: 22, size: 7.5)
          pdf.fill_color(INK)
        end
      end
    end
  end
end
