# frozen_string_literal: true

module Windlass
  module Archive
    # One table of an archive: its columns, what they may hold, what they refer to.
    class Table
      # The database's own.
      LEFT_OUT = %w[id account_id lock_version desk_mark judged_mark].freeze
      REFERS = {
        "athlete_id" => "athletes", "prescription_id" => "prescriptions", "session_id" => "sessions",
        "measure_id" => "measures", "squad_id" => "squads", "dive_id" => "dives",
        "complaint_id" => "complaints", "group_id" => "groups",
        "programme_id" => "programmes"
      }.freeze

      # What may have been corrected, of an athlete.
      CORRECTED = [Records::Session, Records::Measure, Records::Screening, Records::Dive].freeze

      # @return [Symbol] the same whatever database it is
      def self.plain(type) = (type == :jsonb) ? :json : type

      attr_reader :record, :of, :key

      # @param record [Class] of Records
      # @param of [Symbol] what its rows belong to: :athlete, :session, :prescription, :place, or :several
      # @param key [String] what it is found by; `id` where nothing else is said
      # @param refers [Hash{String => String}] columns that refer to a table of another name
      def initialize(record, of: :athlete, key: "id", refers: {})
        @record = record
        @of = of
        @key = key
        @refers = REFERS.merge(refers)
      end

      def name = record.table_name

      # @return [Array<ActiveRecord::ConnectionAdapters::Column>] that are written
      def columns = @columns ||= record.columns.reject { |column| LEFT_OUT.include?(column.name) }

      # @return [Object, nil] what a column holds where nothing is said; an archive of an earlier version says nothing
      #   of a later column
      def default(name) = record.column_defaults[name]

      # @param found [ActiveRecord::Relation]
      # @return [Array<Hash{String => Object}>] rows as they are written
      def read(found)
        names = columns.map(&:name)
        rows = found.pluck(*names).map { |values| names.zip(names.one? ? [values] : values).to_h }
        sealed = record.openings.keys.select { |name| binary?(name) }
        sealed.empty? ? rows : rows.reject { |row| sealed.any? { |name| row[name].to_s.empty? } }
      end

      # What no key opens is not written: an empty list would be an answer that nobody gave. A text says so itself;
      # bytes are left out as they are read, for nothing refers to them.
      # @param found [ActiveRecord::Relation]
      # @return [ActiveRecord::Relation] without it
      def readable(found)
        sealed = record.openings.reject { |name, opening| opening.tells? || binary?(name) }
        return found if sealed.empty?

        lost =
          found.pluck(key, *sealed.keys.map { |column| record.lying(column) }).select do |_, *texts|
            sealed.values.zip(texts).any? { |opening, text| opening.lost?(text) }
          end
        lost.empty? ? found : found.where.not(key => lost.map(&:first))
      end

      # @param rows [Array<Hash{String => Object}>] as they were written
      # @return [Array<Hash{String => Object}>] as the database keeps them
      def kept(rows) = rows

      # @return [String, nil] the table that a column of a row refers to
      def target(column, row) =
        (of == :several && column == "of_id") ? row["of"] : (@refers[column] if column.end_with?("_id"))

      # @return [Boolean] bytes, which are written as base64
      def binary?(name) = record.columns_hash.fetch(name).type == :binary

      # @return [Boolean] its rows carry an account
      def owned? = record.column_names.include?("account_id")

      # @param athlete_ids [Array<Integer>, nil] nil: all of the place
      # @return [ActiveRecord::Relation] in the order of an archive
      def rows(athlete_ids, sessions:, prescriptions:)
        return whole.order(:id) if athlete_ids.nil? && key == "id"
        return whole.order(:session_id, :received_at, :at_ms, :uuid) if athlete_ids.nil?
        return whole.none if of == :place

        {
          athlete: -> do
            whole.where((name == "athletes") ? {id: athlete_ids} : {athlete_id: athlete_ids}).order(:id)
          end,
          session: -> do
            whole.where(session_id: sessions).order(:session_id, *((key == "id") ? [:id] : %i[received_at at_ms uuid]))
          end,
          prescription: -> { whole.where(prescription_id: prescriptions).order(:id) },
          several: -> { of_athletes(athlete_ids).order(:id) }
        }.fetch(of).call
      end

      private

      # What was discarded is written, too; what is read in just now is not there yet.
      def whole =
        if record.column_names.include?("discarded_at")
          record.unscoped.where(Records::Unseen::NOT_THESE)
        else
          record.unscoped
        end

      def of_athletes(athlete_ids)
        CORRECTED
          .map do |corrected|
            whole.where(of: corrected.table_name, of_id: corrected.unscoped.where(athlete_id: athlete_ids).select(:id))
          end
          .reduce(:or)
      end
    end
  end
end
