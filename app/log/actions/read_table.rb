# frozen_string_literal: true

module Windlass
  module Actions
    # A table from elsewhere, row by row: what will be kept, what is wrong, what is here already. All of it is kept, or
    # nothing; it is written bit by bit where nobody sees it, and becomes visible in one step.
    module ReadTable
      # what, day, amount: as a coach says them. state: :new, :known or :wrong. words: what is wrong. keep: says that it
      # is to be kept.
      Row = Value.define(:number, :athlete, :state, what: "", day: nil, amount: "", words: nil, keep: nil)

      # Who is meant by the names of a table.
      class Names
        # @param account [Records::Account]
        # @param names [Array<String>] all that stand in it
        # @param on [Date]
        def initialize(account, names, on:)
          @on = on
          said = names.to_set(&:downcase)
          meant = account.athletes.pluck(:id, :name).filter_map { |id, name| id if said.include?(name.downcase) }
          @by_name =
            account
              .athletes
              .where(id: meant)
              .includes(:consents, prescriptions: :athlete)
              .group_by { |athlete| athlete.name.downcase }
        end

        # @return [Records::Athlete, String] or why there is none
        def find(name)
          named = @by_name.fetch(name.downcase, [])
          return asked(named.first) if named.size == 1

          "column athlete: “#{name}” #{named.empty? ? "is nobody here" : "are #{named.size} here"}"
        end

        private

        def asked(athlete) = Consents.missing?(athlete, @on) ? Consents.missing_words(athlete, @on) : athlete
      end

      WRITERS = {
        Formats::NotebookCsv => Tables::Sessions,
        Formats::HoldsCsv => Tables::Sessions,
        Formats::MeasuresCsv => Tables::Measures,
        Formats::DivesCsv => Tables::Dives
      }.freeze

      # @param table [Formats::TableCsv]
      # @return [Tables::Sessions, Tables::Measures, Tables::Dives]
      def self.writer(table, now:) = WRITERS.fetch(table.class).new(now)

      # @param table [Formats::TableCsv]
      # @return [Array<Row>] nothing is kept
      def self.preview(account, table, now:, writer: writer(table, now: now), progress: Imports::Progress::NONE)
        names = Names.new(account, table.rows.map(&:athlete).uniq, on: now.to_date)
        progress.begin("Checking", table.rows.size)
        table.rows.map { |row| previewed(row, names, writer).tap { progress.step } }
      end

      # All that is new becomes visible; where anything is wrong, nothing.
      # @param progress [Imports::Progress]
      # @return [Hash] what is left to {.finish}
      # @raise [Error]
      def self.bring(account, table, now:, progress: Imports::Progress::NONE)
        writer = writer(table, now: now)
        fresh = fresh(preview(account, table, now: now, writer: writer, progress: progress))
        fresh.each { |row| row.keep.call }
        writer.write(progress)
        progress.show { {"rows" => fresh.size, "sessions" => writer.show} }
      rescue Imports::Stopped
        writer&.clear
        raise
      end

      # What is visible is judged.
      # @param left [Hash] of {.bring}
      # @return [Integer] rows kept
      def self.finish(left, now:, progress: Imports::Progress::NONE)
        Tables::Sessions.judge(left.fetch("sessions"), now: now, progress: progress)
        left.fetch("rows")
      end

      # @param rows [Array<Row>]
      # @param otherwise [String] what is said where something is wrong
      # @return [Array<Row>] that are new
      # @raise [Error] where anything is wrong
      def self.fresh(rows, otherwise: "nothing was kept")
        wrong = rows.count { |row| row.state == :wrong }
        raise Error, "#{Words.count(wrong, "row is", "rows are")} wrong: #{otherwise}." if wrong > 0

        rows.select { |row| row.state == :new }
      end

      def self.previewed(row, names, writer)
        found = names.find(row.athlete)
        base = {number: row.number, athlete: row.athlete}
        faults = [*(found if found.is_a?(String)), *row.faults]
        return Row.new(**base, state: :wrong, words: faults.join("; ")) if faults.any?

        Row.new(**base, **writer.row(row, found))
      end
      private_class_method :previewed
    end
  end
end
