# frozen_string_literal: true

module Windlass
  module Records
    # What stood in a record before it was corrected. of: its table.
    class Correction < Record
      self.table_name = "corrections"

      # @param record [Record] about to be saved; what stood in it is kept, but for what the server reckons by itself
      # @param more [Hash] what stood beside it
      # @return [Correction, nil] nil where nothing changes
      def self.keep(record, columns, now:, **more)
        before = record.changes_to_save.slice(*columns.map(&:to_s)).transform_values(&:first).merge(more.transform_keys(&:to_s).reject { |_, value| value.blank? })
        create!(account_id: record.account_id, of: record.class.table_name, of_id: record.id, corrected_at: now, before: before) if record.persisted? && before.any?
      end

      # @return [ActiveRecord::Relation] newest first
      def self.of_record(record) = where(of: record.class.table_name, of_id: record.id).order(corrected_at: :desc, id: :desc)
    end
  end
end
