# frozen_string_literal: true

module Windlass
  module Papers
    # What happened, from the emergency card: for the file. What nobody noted is a line to write on.
    class IncidentReport < Paper
      # @param sheet [Presenters::SessionSheet]
      def initialize(sheet)
        super("A4", "Incident report, #{sheet.title}")
        @sheet = sheet
      end

      private

      def write
        heading("Incident report")
        text("#{@sheet.athlete.name}. #{@sheet.title}. #{@sheet.about}")
        place = @sheet.athlete.account.place
        rows(
          [
            ["Where", place.site.empty? ? " " : place.site],
            ["Heard of at", @sheet.emergency_notes.any? ? @sheet.emergency_heard_at : " "]
          ],
          widths: {0 => 150},
          header: false
        )
        heading("What was noted", 15)
        if @sheet.emergency_notes.any? || @sheet.noted.any?
          rows(
            [
              %w[After What],
              *@sheet.emergency_notes.map { |note| [note.at, note.words] },
              *@sheet.noted.map { |words| ["", words] }
            ],
            widths: {0 => 80}
          )
        end
        said = @sheet.session.symptoms
        text("Signs: #{Progression::Symptoms.words(said.map(&:to_sym))}.") if said.any?
        text("Note: #{@sheet.note}") unless @sheet.note.to_s.empty?
        gap
        [
          "Who was there", "What was done", "Witnesses", "Outcome", "Who was told, and when",
          "Written by, date, signature"
        ].each { |words| blank(words) }
      end
    end
  end
end
