# frozen_string_literal: true

require "csv"

module Windlass
  module Formats
    # A table from elsewhere as CSV: comma or semicolon, UTF-8 or Windows-1252; days as 2026-03-01, with dots (day
    # first), or with slashes (day first or month first). A kind of table says its columns, which of them it needs, and
    # reads a row.
    class TableCsv
      MOST_ROWS = 50_000
      MOST_CHARACTERS = 5_000_000
      # `01/02/2026`
      SLASHED = %r{\A(\d{1,2})/(\d{1,2})/(\d{2}|\d{4})\z}
      # `1.2.26`: nobody writes the month first with dots.
      DOTTED = /\A(\d{1,2})\.(\d{1,2})\.(\d{2}|\d{4})\z/
      YES = %w[true yes 1 x].freeze

      class << self
        # @param name [String] what such a table is called
        # @param columns [Hash{Symbol => Array<String>}] what each column may be called
        # @param needed [Array<Symbol>] without these it is no such table
        # @param most [Integer] rows
        def about(name:, columns:, needed:, most: MOST_ROWS) =
          @facts = {name: name, columns: columns, needed: needed, most: most}.freeze

        attr_reader :facts

        # @param headers [Array<String>] small letters
        def fits?(headers) = facts[:needed].all? { |key| headers.intersect?(facts[:columns].fetch(key)) }
      end

      # @param table [CSV::Table]
      # @param today [Date]
      # @param day_first [Boolean, nil] where both orders fit; nil: not said yet
      def initialize(table, today:, day_first: nil)
        @table = table
        @today = today
        @day_first = day_first
        if table.size > facts[:most]
          raise InvalidInput, ["file: #{table.size} rows are too many; allowed: #{facts[:most]}"]
        end
      end

      # @return [Boolean] days are written so that both orders fit, and nobody said which it is
      def asks_order? =
        @day_first.nil? && slashed.any? && slashed.all? { |first, second| first <= 12 && second <= 12 } &&
          slashed.any? { |first, second| first != second }

      # @return [Array] each with number (of the line in the file) and faults (with their columns)
      def rows = @rows ||= numbered.map { |*one| read(*one) }

      private

      def facts = self.class.facts

      def numbered = @table.each.with_index(2)

      # @return [Hash{Symbol => String}] header of each column that is there
      def columns
        @columns ||=
          facts[:columns]
            .filter_map do |key, names|
              (header = @table.headers.compact.find { |one| names.include?(one.strip.downcase) }) && [key, header]
            end
            .to_h
      end

      # What {CsvOut} put before what a spreadsheet would run is taken off again.
      def cell(row, key) = columns[key] ? row[columns[key]].to_s.strip.sub(/\A'(?=[=+\-@])/, "") : ""

      def yes?(row, key) = YES.include?(cell(row, key).downcase)

      def number(text) = Float(text.tr(",", "."), exception: false)

      def slashed =
        @slashed ||= @table.filter_map { |row| SLASHED.match(cell(row, :date))&.captures&.first(2)&.map(&:to_i) }

      def day_first? = @day_first.nil? ? slashed.none? { |_, second| second > 12 } : @day_first

      # @return [Array(Date, String)] the day, and what is wrong with it
      def day(row)
        found = date(cell(row, :date))
        found.is_a?(Date) ? [found, nil] : [nil, "column #{columns[:date]}: #{found}"]
      end

      # @return [Date, String] the day, or what is wrong with it
      def date(written)
        parts = day_parts(written)
        return "“#{written}” is no day; a day is written 2026-03-31" unless parts

        year = (parts[0] < 100) ? parts[0] + 2000 : parts[0]
        return "“#{written}” is no day there is" unless Date.valid_date?(year, *parts.drop(1))

        day = Date.new(year, *parts.drop(1))
        return "#{day.iso8601} is still to come" if day > @today

        days.cover?(day) ? day : "#{day.iso8601} is not allowed; allowed: from #{days.begin} on"
      end

      def day_parts(written)
        dotted = DOTTED.match(written)
        return [dotted[3], dotted[2], dotted[1]].map(&:to_i) if dotted

        found = SLASHED.match(written)
        return found[3].to_i, *(day_first? ? [found[2], found[1]] : [found[1], found[2]]).map(&:to_i) if found

        moment = moment(written)
        if moment
          moment.to_a.values_at(5, 4, 3)
        else
          written[/\A(\d{4})-(\d{1,2})-(\d{1,2})\z/] && written.split("-").map(&:to_i)
        end
      end

      # @return [Range<Date>] what a day may be
      def days = Bounds.done(@today)

      # @return [Time, nil] a moment such as 2026-03-31T07:30:00Z, in the place's own time
      def moment(written) = (Bounds.moment(written)&.getlocal if written.include?("T"))
    end
  end
end
