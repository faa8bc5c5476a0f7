# frozen_string_literal: true

module Windlass
  module Actions
    # Several athletes from a spreadsheet: all of them are added, or nobody.
    module ReadAthletes
      # What the form asks besides, and nobody has in a spreadsheet.
      USUAL = {"control_pause_use" => "primary", "nervous" => "false", "sleep_signs" => "false"}.freeze

      # @param table [Formats::AthletesCsv]
      # @return [Array<ReadTable::Row>] nothing is kept
      def self.preview(account, table, today:)
        there = account.athletes.pluck(:name).to_set(&:downcase)
        table.rows.map { |row| previewed(account, row, there, today) }
      end

      # @return [Integer] athletes added
      # @raise [Error]
      def self.call(account, table, today:)
        fresh = ReadTable.fresh(preview(account, table, today: today), otherwise: "nobody was added")
        account.transaction { fresh.each { |row| row.keep.call } }
        fresh.size
      end

      def self.previewed(account, row, there, today)
        form = Forms::AthleteForm.parse(USUAL.merge(row.fields, "uuid" => SecureRandom.uuid), today: today)
        faults =
          row.faults +
          form.errors.except(*("born_on" if row.faults.any?)).map { |field, fault| "#{field.tr("_", " ")}: #{fault}" }
        base = {number: row.number, athlete: row.name}
        return ReadTable::Row.new(**base, state: :wrong, words: faults.join("; ")) if faults.any?

        known = there.include?(row.name.downcase) || !there.add?(row.name.downcase)
        ReadTable::Row.new(
          **base,
          state: known ? :known : :new,
          what: form.values.fetch(:disciplines, []).join(", "),
          day: form.values[:born_on],
          amount: "#{Words.number(form.values[:height_cm])} cm, #{Words.number(form.values[:mass_kg])} kg",
          keep: -> { KeepAthlete.add(account, form, today: today) }
        )
      end
      private_class_method :previewed
    end
  end
end
