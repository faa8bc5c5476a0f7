# frozen_string_literal: true

module Windlass
  module Papers
    # A week on one page, readable at arm's length: for the fridge, or for the wall of the boathouse.
    class Week < Paper
      # @param title [String]
      # @param heads [Array<String>] of the days
      # @param rows [Array<Array(String, Array<Array<Presenters::ProgrammeMarks::Mark>>)>] a name, and the marks of each day
      # @param notes [Array<String>] what is eased toward, days in the water
      def initialize(title, heads, rows, notes)
        super("A4", title, layout: :landscape)
        @title = title
        @heads = heads
        @rows = rows
        @notes = notes
      end

      private

      # One athlete has room for large letters; a squad has not.
      def size = {1 => 15, 2 => 13, 3 => 12, 4 => 11}.fetch(@rows.size, 9)

      def write
        heading(@title)
        @notes.each { |note| text(note, size: 12) }
        cells = @rows.map { |name, days| [*(name if @rows.size > 1), *days.map { |marks| marks.map { |mark| told(mark) }.join("\n\n") }] }
        rows([[*("" if @rows.size > 1), *@heads], *cells], size: size)
        quiet("What is expected is no promise: the verdict on each session decides what comes next.")
      end

      def told(mark) = ["#{mark.begins}  #{mark.name}", mark.dose.presence, "#{mark.minutes}#{", sets through the day" if mark.apart}"].compact.join("\n")
    end
  end
end
