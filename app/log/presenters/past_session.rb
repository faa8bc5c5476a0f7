# frozen_string_literal: true

module Windlass
  module Presenters
    # Notes that become sessions, a line each: read as they are typed, drawn as rounds over the planned ones.
    class PastSession
      MOST_CHARACTERS = 20_000
      MOST_LINES = 60

      # written: what was typed. faults: with their columns. rounds: over the planned ones.
      Line = Value.define(:number, :written, :faults, :about, :rounds, :missing)
      Round = Value.define(:planned_x, :planned_width, :held_width, :words, :kind)

      WIDTH = 720

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
        unless entry
          return Line.new(number: number, written: written, faults: faults, about: nil, rounds: [], missing: nil)
        end

        unknown = entry.rounds.count { |round| !round.skipped && round.first_breath.nil? }
        missing = [
          (
            if entry.rounds.size < parts.size
              "#{Words.count(parts.size - entry.rounds.size, "hold")} of #{parts.size} not written"
            end
          ),
          (
            "#{Words.count(entry.rounds.size - parts.size, "hold")} more than planned" if entry.rounds.size > parts.size
          ),
          ("#{Words.count(unknown, "first breath")} unknown" if unknown > 0),
          ("effort not said" if entry.effort.nil?)
        ]
        Line.new(
          number: number,
          written: written,
          faults: faults,
          about: about(entry),
          rounds: drawn(entry),
          missing: missing.compact.join("; ")
        )
      end

      def about(entry)
        [
          Dates.long(entry.date),
          entry.at,
          ("effort #{Words.number(entry.effort)}" if entry.effort),
          (Progression::Symptoms.words(entry.symptoms) if entry.symptoms.any?),
          entry.note.then { |note| note unless note.empty? }
        ].compact.join(" · ")
      end

      def drawn(entry)
        all = [*targets, *entry.rounds.filter_map(&:held_s)]
        most = [parts.size, entry.rounds.size, 1].max
        step = WIDTH / most.to_f
        scale = (step - 15) / [all.max || 1, 1].max
        Array.new(most) do |index|
          round = entry.rounds[index]
          Round.new(
            planned_x: (index * step).round(1),
            planned_width: ((targets[index] || 0) * scale).round(1),
            held_width: ((round&.held_s || 0) * scale).round(1),
            words: held_words(round),
            kind: round&.first_breath
          )
        end
      end

      def held_words(round)
        return "" unless round

        round.held_s ? Words.hold(round.held_s) : "left out"
      end
    end
  end
end
