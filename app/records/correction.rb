# frozen_string_literal: true

module Windlass
  module Records
    # What stood in a record before it was corrected. of: its table. before: column and value; of a session also its
    # rounds, by number.
    class Correction < Record
      self.table_name = "corrections"
      reads :before
      seals :before
      belongs_to :account

      # Columns in which an empty list was an answer, too: no to all.
      ANSWERS = %w[conditions].freeze

      # @param record [Record] about to be saved; what was said before and changes now is kept
      # @param before [Hash] what stood beside it
      def self.keep(record, now:, **before)
        said = changed(record).merge(before.transform_keys(&:to_s).reject { |_, value| value.empty? })
        if record.persisted? && said.any?
          create!(
            account_id: record.account_id,
            of: record.class.table_name,
            of_id: record.id,
            corrected_at: now,
            corrected_by: Doing.person&.name || Account.find(record.account_id).name,
            before: said
          )
        end
      end

      # @return [Hash{String => Object}] what stood in the columns that change, where something stood there
      def self.changed(record)
        record
          .changes_to_save
          .except("updated_at", "lock_version")
          .to_h { |column, (was, is)| [column, was.is_a?(Hash) ? was.reject { |key, value| is[key] == value } : was] }
          .reject { |column, was| was.nil? || (was.respond_to?(:empty?) && was.empty? && ANSWERS.exclude?(column)) }
      end

      # @return [ActiveRecord::Relation] newest first
      def self.of_record(record) =
        where(of: record.class.table_name, of_id: record.id).order(corrected_at: :desc, id: :desc)
    end
  end
end
