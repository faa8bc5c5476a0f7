# frozen_string_literal: true

module Windlass
  module Actions
    # A table from elsewhere, row by row: what will be kept, what is wrong, what is here already. All of it is kept, or nothing.
    module ReadTable
      # what, day, amount: as a coach says them. state: :new, :known or :wrong. words: what is wrong. keep: does it. finish: what is done once for all of them.
      Row = Value.define(:number, :athlete, :state, what: "", day: nil, amount: "", words: nil, keep: nil, finish: nil)

      # Who is meant by a name.
      class Names
        # @param account [Records::Account]
        def initialize(account)
          @by_name = account.athletes.includes(prescriptions: :athlete).group_by { |athlete| athlete.name.downcase }
        end

        # @return [Records::Athlete, String] or why there is none
        def find(name)
          named = @by_name.fetch(name.downcase, [])
          return named.first if named.size == 1

          "column athlete: “#{name}” #{named.empty? ? "is nobody here" : "are #{named.size} here"}"
        end
      end

      READERS = {Formats::NotebookCsv => Tables::Sessions, Formats::HoldsCsv => Tables::Sessions, Formats::MeasuresCsv => Tables::Measures, Formats::DivesCsv => Tables::Dives}.freeze

      # @param table [Formats::TableCsv]
      # @return [Array<Row>] nothing is kept
      def self.preview(account, table, now:)
        names = Names.new(account)
        reader = READERS.fetch(table.class).new(now)
        table.rows.map { |row| previewed(row, names, reader) }
      end

      # @return [Integer] rows kept: all that are new; where anything is wrong, none
      # @raise [Error]
      def self.call(account, table, now:)
        keep(account, preview(account, table, now: now))
      end

      # All that is new, or nothing.
      # @param rows [Array<Row>]
      # @param otherwise [String] what is said where something is wrong
      def self.keep(account, rows, otherwise: "nothing was kept")
        wrong = rows.count { |row| row.state == :wrong }
        raise Error, "#{Words.count(wrong, "row is", "rows are")} wrong: #{otherwise}." if wrong > 0

        fresh = rows.select { |row| row.state == :new }
        account.transaction do
          fresh.each { |row| row.keep.call }
          fresh.filter_map(&:finish).uniq.each(&:call)
        end
        fresh.size
      end

      def self.previewed(row, names, reader)
        found = names.find(row.athlete)
        base = {number: row.number, athlete: row.athlete}
        faults = [*(found if found.is_a?(String)), *row.faults]
        return Row.new(**base, state: :wrong, words: faults.join("; ")) if faults.any?

        Row.new(**base, **reader.row(row, found))
      end
      private_class_method :previewed
    end
  end
end
