# frozen_string_literal: true

module Windlass
  # The trace as CSV, oldest first: however long it is, little of it is in memory.
  module TraceFile
    COLUMNS = %w[at person did athlete device address].freeze
    SLICE = 500

    # @param found [ActiveRecord::Relation] lines of the trace
    # @yieldparam line [String]
    def self.write(found)
      yield Formats::CsvOut.line(COLUMNS)
      found.in_batches(of: SLICE) do |slice|
        entries = slice.order(:id).to_a
        Presenters::TraceRow.of(entries).zip(entries) do |row, entry|
          yield Formats::CsvOut.line(
            [row.at.utc.iso8601, row.who, row.words, entry.athlete_id, row.device, entry.deed]
          )
        end
      end
    end
  end
end
