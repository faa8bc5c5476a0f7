# frozen_string_literal: true

require "csv"

module Windlass
  module Formats
    # A whole notebook as CSV, a session a row: who, what, when, and the holds as they are written in one line. Comma or semicolon, UTF-8 or
    # Windows-1252; days as 2026-03-01, or with slashes or dots, day first or month first.
    class NotebookCsv
      # What a column may be called.
      COLUMNS = {
        athlete: %w[athlete name who], protocol: %w[protocol what exercise], date: %w[date day when], at: %w[at time began],
        holds: %w[holds line held rounds], effort: %w[effort rpe], symptoms: %w[symptoms symptom], note: %w[note notes remark]
      }.freeze
      NEEDED = %i[athlete date holds].freeze
      MOST_ROWS = 5000
      MOST_CHARACTERS = 2_000_000
      # `01/02/2026`, `1.2.26`
      SLASHED = %r{\A(\d{1,2})[/.](\d{1,2})[/.](\d{2}|\d{4})\z}

      # number: of the line in the file. entry nil where it can't be read. faults: with their columns.
      Row = Value.define(:number, :athlete, :protocol, :entry, :faults)

      # @param bytes [String] as they came
      # @param today [Date]
      # @param day_first [Boolean, nil] where both orders fit; nil: not said yet
      # @raise [InvalidInput] where it is no such file at all
      def initialize(bytes, today:, day_first: nil)
        @today = today
        @day_first = day_first
        @table = parse(text(bytes))
        lacking = NEEDED - columns.keys
        raise InvalidInput, ["line 1: no column for #{lacking.map { |one| COLUMNS[one].first }.join(", ")}; known are #{COLUMNS.values.map(&:first).join(", ")}"] if lacking.any?
      end

      # @return [Boolean] days are written so that both orders fit, and nobody said which it is
      def asks_order? = @day_first.nil? && slashed.any? && slashed.all? { |first, second| first <= 12 && second <= 12 } && slashed.any? { |first, second| first != second }

      # @return [Array<Row>]
      def rows = @rows ||= @table.each.with_index(2).map { |row, number| read(row, number) }

      private

      def text(bytes)
        raise InvalidInput, ["file: #{bytes.bytesize} bytes are too many; allowed: #{MOST_CHARACTERS}"] if bytes.bytesize > MOST_CHARACTERS

        utf8 = bytes.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF".b.force_encoding(Encoding::UTF_8))
        whole = utf8.valid_encoding? ? utf8 : bytes.dup.force_encoding(Encoding::WINDOWS_1252).encode(Encoding::UTF_8, invalid: :replace, undef: :replace)
        raise InvalidInput, ["file: is no text"] if whole.include?("\u0000")

        whole
      end

      def parse(text)
        first = text.lines.first.to_s
        separator = (first.count(";") > first.count(",")) ? ";" : ","
        table = CSV.parse(text, headers: true, col_sep: separator, skip_blanks: true, liberal_parsing: false)
        raise InvalidInput, ["file: #{table.size} rows are too many; allowed: #{MOST_ROWS}"] if table.size > MOST_ROWS

        table
      rescue CSV::MalformedCSVError => error
        raise InvalidInput, [error.message.sub(/ in line (\d+)\./, "; line \\1").sub(/\A(.*); line (\d+)\z/, "line \\2: \\1")]
      end

      # @return [Hash{Symbol => String}] header of each column that is there
      def columns
        @columns ||= COLUMNS.filter_map { |key, names| (header = @table.headers.compact.find { |one| names.include?(one.strip.downcase) }) && [key, header] }.to_h
      end

      def cell(row, key) = columns[key] ? row[columns[key]].to_s.strip : ""

      def slashed = @slashed ||= @table.filter_map { |row| SLASHED.match(cell(row, :date))&.captures&.first(2)&.map(&:to_i) }

      def day_first? = @day_first.nil? ? slashed.none? { |_, second| second > 12 } : @day_first

      def read(row, number)
        date = date(cell(row, :date))
        faults = date.is_a?(Date) ? [] : ["column #{columns[:date]}: #{date}"]
        entry, wrong = date.is_a?(Date) ? line(row, date) : [nil, []]
        Row.new(number: number, athlete: cell(row, :athlete), protocol: cell(row, :protocol), entry: entry, faults: faults + wrong)
      end

      # @return [Date, String] the day, or what is wrong with it
      def date(written)
        found = SLASHED.match(written)
        parts = if found
          [found[3].to_i, *(day_first? ? [found[2], found[1]] : [found[1], found[2]]).map(&:to_i)]
        else
          written[/\A(\d{4})-(\d{1,2})-(\d{1,2})\z/] && written.split("-").map(&:to_i)
        end
        return "“#{written}” is no day; a day is written 2026-03-31" unless parts

        year = (parts[0] < 100) ? parts[0] + 2000 : parts[0]
        return "“#{written}” is no day there is" unless Date.valid_date?(year, *parts.drop(1))

        day = Date.new(year, *parts.drop(1))
        (day > @today) ? "#{day.iso8601} is still to come" : day
      end

      # @return [Array(Log::Entry, Array<String>)]
      def line(row, date)
        at, effort = cell(row, :at), cell(row, :effort)
        written = [cell(row, :holds), ("@#{at}" unless at.empty?), ("e#{effort}" unless effort.empty?), cell(row, :symptoms)].compact.join(" ")
        entry = Log::Line.read(written, today: date)
        [entry.with(note: [entry.note, cell(row, :note)].reject(&:empty?).join("; ")), []]
      rescue InvalidInput => error
        [nil, error.faults.map { |fault| "column #{columns[:holds]}, #{fault}" }]
      end
    end
  end
end
