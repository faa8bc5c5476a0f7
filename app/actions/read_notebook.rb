# frozen_string_literal: true

module Windlass
  module Actions
    # A notebook, row by row: what will be kept, what is wrong, and what is here already.
    module ReadNotebook
      # state: :new, :known or :wrong. words: what is wrong with it.
      Row = Value.define(:number, :athlete, :protocol, :entry, :prescription, :state, :words)

      # @param notebook [Formats::NotebookCsv]
      # @return [Array<Row>] nothing is kept
      def self.preview(account, notebook)
        athletes = account.athletes.includes(prescriptions: :athlete).group_by { |athlete| athlete.name.downcase }
        notebook.rows.map { |row| previewed(row, athletes) }
      end

      # @return [Array<Records::Session>] all that is new; where anything is wrong, nothing
      # @raise [Error]
      def self.call(account, notebook, now:)
        rows = preview(account, notebook)
        wrong = rows.count { |row| row.state == :wrong }
        raise Error, "#{Words.count(wrong, "row is", "rows are")} wrong: nothing was kept." if wrong > 0

        account.transaction { rows.select { |row| row.state == :new }.flat_map { |row| WriteIn.call(row.prescription, [row.entry], now: now) } }
      end

      def self.previewed(row, athletes)
        base = {number: row.number, athlete: row.athlete, protocol: row.protocol, entry: row.entry, prescription: nil}
        return Row.new(**base, state: :wrong, words: row.faults.join("; ")) if row.faults.any?

        found = prescription(row, athletes)
        return Row.new(**base, state: :wrong, words: found) if found.is_a?(String)

        known = found.sessions.exists?(local_date: row.entry.date, written_in: WriteIn.mark(row.entry))
        Row.new(**base, prescription: found, state: known ? :known : :new, words: nil)
      end

      # @return [Records::Prescription, String] what it is written into, or why there is none
      def self.prescription(row, athletes)
        named = athletes.fetch(row.athlete.downcase, [])
        return "column athlete: “#{row.athlete}” is nobody here" if named.empty?
        return "column athlete: “#{row.athlete}” are #{named.size} here" if named.size > 1

        all = named.first.prescriptions.to_a
        fitting = row.protocol.empty? ? all.reject { |one| one.state == "ended" } : all.select { |one| [one.name.downcase, one.protocol].include?(row.protocol.downcase) }
        return fitting.first if fitting.size == 1

        "column protocol: “#{row.protocol}” is #{fitting.empty? ? "not" : "more than once"} prescribed to #{row.athlete}; #{all.empty? ? "nothing is" : "there are #{Words.list(all.map(&:name).uniq)}"}"
      end
      private_class_method :previewed, :prescription
    end
  end
end
