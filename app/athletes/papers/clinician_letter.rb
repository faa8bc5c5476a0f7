# frozen_string_literal: true

module Windlass
  module Papers
    # What a clinician is asked: what was seen, when, what the person wants to do, which kinds of work need a word; and
    # a part to reply on.
    class ClinicianLetter < Paper
      # @param athlete [Records::Athlete]
      # @param now [Time]
      def initialize(athlete, now:)
        super("A4", "Letter to a clinician, #{athlete.name}")
        @athlete = athlete
        @now = now
      end

      private

      def write
        heading("A word from a clinician, please")
        quiet(Presenters::Dates.long(@now.to_date))
        gap
        text(
          "#{@athlete.name}, born on #{Words.date(@athlete.born_on)}, trains breath holding with a coach: " \
          "#{@athlete.disciplines.join(", ")}."
        )
        seen
        asked
        reply
      end

      def seen
        heading("What was seen", 15)
        stops = @athlete.suspensions.select { |one| one.kind == "stop" && one.lifted_at.nil? }
        newest = @athlete.newest_screening
        unread = newest && !newest.readable?
        text("What was answered in the screening can not be read just now.") if unread
        answered = newest&.conditions.to_a.map(&:to_sym)
        conditions = Screening::MATRIX.conditions.select { |one| answered.include?(one.id) }
        stops.each { |stop| text("#{Words.date(stop.opened_at.getlocal.to_date)}: #{stop.reason}") }
        text("Answered with yes in the screening: #{conditions.map(&:question).join("; ")}.") if conditions.any?
        text("Nothing that stops; the coach asks all the same.") unless unread || stops.any? || conditions.any?
        gap
      end

      def asked
        heading("What the person wants to do", 15)
        open = @athlete.prescriptions.reject { |one| one.state == "ended" }
        open.each { |one| text("#{one.name}: #{one.to_protocol.in_words(Records::Record.dose(one.dose))}.") }
        if open.any?
          text("Breath holding at rest, seated or lying, as above; carbon dioxide rises and oxygen falls for a time.")
        end
        gap
      end

      def reply
        heading("Reply", 15)
        columns.each do |words|
          text(words, style: :bold)
          ["open", "open with limits:", "not"].each { |answer| tick(answer) }
        end
        ["Until", "Name", "Date and signature"].each { |words| blank(words) }
      end

      # @return [Array<String>] kinds of work that need a word; all of them where nothing says which
      def columns
        rows = Presenters::ScreeningSheet.new(@athlete, today: @now.to_date).rows
        asked = rows.reject { |row| row.state == :open }
        stopped = @athlete.suspensions.any? { |one| one.kind == "stop" && one.lifted_at.nil? }
        ((stopped || asked.empty?) ? rows : asked).map(&:words)
      end
    end
  end
end
