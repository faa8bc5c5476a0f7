# frozen_string_literal: true

module Windlass
  module Formats
    # Tables that are read, known by their columns. One more is a file and a line here; the narrower first.
    module Tables
      ALL = [HoldsCsv, MeasuresCsv, NotebookCsv, DivesCsv].freeze

      # What parts cells; a spreadsheet copies with tabs.
      SEPARATORS = [",", ";", "\t"].freeze

      # @param bytes [String] as they came
      # @param today [Date]
      # @param day_first [Boolean, nil]
      # @param kinds [Array<Class>] that it may be
      # @return [TableCsv]
      # @raise [InvalidInput] where it is no such file at all
      def self.read(bytes, today:, day_first: nil, kinds: ALL)
        table = parse(text(bytes))
        headers = table.headers.compact.map { |header| header.strip.downcase }
        kind = kinds.find { |one| one.fits?(headers) } or
          raise InvalidInput,
            ["line 1: the columns fit no table that is known here. " \
              "#{kinds.map { |one| needed(one) }.join("; ")}."]
        kind.new(table, today: today, day_first: day_first)
      end

      def self.needed(kind)
        facts = kind.facts
        columns = facts[:needed].map { |key| facts[:columns].fetch(key).first }
        "#{facts[:name].capitalize} need #{Words.list(columns)}"
      end

      def self.text(bytes)
        if bytes.bytesize > TableCsv::MOST_CHARACTERS
          raise InvalidInput, ["file: #{bytes.bytesize} bytes are too many; allowed: #{TableCsv::MOST_CHARACTERS}"]
        end

        Text.of(bytes)
      end

      def self.parse(text)
        first = text.lines.first.to_s
        separator = SEPARATORS.max_by.with_index { |one, index| [first.count(one), -index] }
        CSV.parse(text, headers: true, col_sep: separator, skip_blanks: true, liberal_parsing: false)
      rescue CSV::MalformedCSVError => error
        raise InvalidInput,
          [error.message.sub(%r{ in line (\d+)\.}, "; line \\1").sub(/\A(.*); line (\d+)\z/, "line \\2: \\1")]
      end
      private_class_method :text, :parse, :needed
    end
  end
end
