# frozen_string_literal: true

module Windlass
  module Formats
    # A whole notebook, a session a row: who, what, when, and the holds as they are written in one line.
    class NotebookCsv < TableCsv
      about name: "sessions",
        most: 5000,
        needed: %i[athlete date holds],
        columns: {
          athlete: %w[athlete name who],
          protocol: %w[protocol what exercise],
          date: %w[date day when],
          at: %w[at time began],
          holds: %w[holds line held rounds],
          effort: %w[effort rpe],
          symptoms: %w[symptoms symptom],
          note: %w[note notes remark],
          id: %w[session],
          discarded: %w[discarded]
        }

      # entry nil where it can't be read; id of a session that came from here; kept: it was not discarded.
      Row = Value.define(:number, :athlete, :protocol, :entry, :faults, id: "", kept: true)

      private

      def read(row, number)
        date, fault = day(row)
        entry, wrong = date ? line(row, date) : [nil, [fault]]
        Row.new(
          number: number,
          athlete: cell(row, :athlete),
          protocol: cell(row, :protocol),
          entry: entry,
          faults: wrong,
          id: cell(row, :id),
          kept: !yes?(row, :discarded)
        )
      end

      # @return [Array(Log::Entry, Array<String>)]
      def line(row, date)
        effort = cell(row, :effort)
        written = [cell(row, :holds), at(row), ("e#{effort}" unless effort.empty?), cell(row, :symptoms)].compact.join(
          " "
        )
        entry = Log::Line.read(written, today: date)
        [entry.with(note: [entry.note, cell(row, :note)].reject(&:empty?).join("; ")), []]
      rescue InvalidInput => error
        [nil, error.faults.map { |fault| "column #{columns[:holds]}, #{fault}" }]
      end

      def at(row)
        written = cell(row, :at)
        "@#{moment(written)&.strftime("%H:%M") || written}" unless written.empty?
      end
    end
  end
end
