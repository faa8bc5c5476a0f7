# frozen_string_literal: true

module Windlass
  module Presenters
    # Notes that become sessions, a line each: read as they are typed, drawn as rounds over the planned ones.
    class PastSession
      MOST_CHARACTERS = 20_000
      MOST_LINES = 60

      # written: what was typed. faults: with their columns. rounds: over the planned ones.
      Line = Value.define(:number, :written, :faults, :about, :rounds, :missing)
      # @param on [String] a day, as it was typed
      # @return [String] the line of a session with all holds as planned: to be filled in on its sheet
      def self.as_planned(prescription, on, today:) = "#{new(prescription, "", today: today).planned_line} #{on}"

      attr_reader :prescription, :typed

      # @param prescription [Records::Prescription]
      # @param typed [String]
      def initialize(prescription, typed, today:)
        @prescription = prescription
        @typed = typed
        @today = today
      end

      def title = "Write in: #{prescription.name}, #{athlete.name}"

      def athlete = prescription.athlete

      def planned_words = "Planned: #{prescription.to_protocol.in_short(dose)}."

      # @return [String]
      def planned_line = targets.map { |seconds| Words.number(seconds) }.join(" ")

      # @return [String]
      def today = @today.iso8601

      # @return [Array<Line>]
      def lines = @lines ||= read.map { |number, written, entry, faults| line(number, written, entry, faults) }

      # @return [Array<Log::Entry>]
      def entries = read.map { |_, _, entry, _| entry }

      # @return [Boolean] something is written, and all of it can be read
      def valid? = read.any? && read.all? { |_, _, entry, faults| entry && faults.empty? }

      private

      def read
        @read ||=
          typed
            .lines(chomp: true)
            .each
            .with_index(1)
            .reject { |written, _| written.strip.empty? }
            .first(MOST_LINES)
            .map { |written, number| [number, written, *parsed(written)] }
      end

      def parsed(written)
        [Log::Line.read(written, today: @today, targets: targets), []]
      rescue InvalidInput => error
        [nil, error.faults]
      end

      def dose = Records::Record.dose(prescription.dose)

      def parts =
        @parts ||=
          prescription.to_protocol.judged_parts(prescription.to_protocol.compile(dose, athlete.to_body(on: @today)))

      def targets = @targets ||= parts.map { |part| part.ms / 1000.0 }

      def line(number, written, entry, faults)
        seen = entry ? PastEntry.new(entry, targets) : nil
        Line.new(
          number: number,
          written: written,
          faults: faults,
          about: seen&.about,
          rounds: seen ? seen.drawn : [],
          missing: seen&.missing
        )
      end
    end
  end
end
