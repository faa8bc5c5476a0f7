# frozen_string_literal: true

module Windlass
  module Papers
    # A week on one page, readable at arm's length: for the fridge, or for the wall of the boathouse.
    class Week < Paper
      # @param page [Presenters::ProgrammeSheet]
      # @param week [Presenters::ProgrammeSheet::Week]
      # @return [Week] of one athlete
      def self.of_athlete(page, week) =
        new(
          "#{page.athlete.name}, week #{week.number} of #{page.programme.weeks}",
          week.days.map { |one, _| one.words },
          [[page.athlete.name, week.days.map(&:last)]],
          week.days.map(&:first).reject { |one| one.event.empty? }.map { |one| "#{one.words}: #{one.event}" }
        )

      # @param title [String]
      # @param heads [Array<String>] of the days
      # @param rows [Array<Array(String, Array<Array<Presenters::ProgrammeMarks::Mark>>)>] a name, and the marks of each
      #   day
      # @param notes [Array<String>] what is eased toward, days in the water
      def initialize(title, heads, rows, notes)
        super("A4", title, layout: :landscape)
        @title = title
        @heads = heads
        @rows = rows
        @notes = notes
      end

      private

      # One athlete has room for large letters and for the dose; a squad has not.
      FEW = 3
      NAME_WIDTH = 84

      def size = {1 => 15, 2 => 13, 3 => 12}.fetch(@rows.size, (@rows.size > 9) ? 8.5 : 10.5)

      def squad? = @rows.size > 1

      def widths
        name = squad? ? NAME_WIDTH : 0
        day = (pdf.bounds.width - name) / @heads.size
        [*(name if squad?), *@heads.map { day }].each_with_index.to_h { |width, index| [index, width] }
      end

      def write
        heading(@title)
        @notes.each { |note| text(note, size: 12) }
        cells =
          @rows.map do |name, days|
            [*(name if squad?), *days.map { |marks| marks.map { |mark| told(mark) }.join("\n\n") }]
          end
        rows([[*("" if squad?), *@heads], *cells], size: size, widths: widths)
        quiet("What is expected is no promise: the verdict on each session decides what comes next.")
      end

      def told(mark)
        minutes = "#{mark.minutes}#{", sets through the day" if mark.apart}"
        if @rows.size > FEW
          "#{mark.begins} #{mark.name}, #{minutes}"
        else
          ["#{mark.begins}  #{mark.name}", mark.dose.presence, minutes].compact.join("\n")
        end
      end
    end
  end
end
