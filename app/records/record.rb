# frozen_string_literal: true

require "active_record"
require "digest"
require "rack/utils"

module Windlass
  # The tables: columns, associations, queries, and the way to the core's values. Nothing is decided here.
  module Records
    class Record < ActiveRecord::Base
      extend Sealed

      self.abstract_class = true

      # What was sent twice is kept once, also where both come at the same moment to two processes.
      # @param among [ActiveRecord::Relation]
      # @param uuid [String, nil] of the form; without one nothing is the same
      # @yieldreturn [Record] of that uuid
      # @raise [ActiveRecord::RecordNotUnique] where it is somebody else's
      def self.once(among, uuid)
        known = -> { among.find_by(uuid: uuid) if uuid }
        transaction(requires_new: true) { known.call || yield }
      rescue ActiveRecord::RecordNotUnique
        known.call or raise
      end

      # Writes what is of each row, in one statement for all of them, and past all that watches a single one.
      # @param changes [Array<Array(Record, Hash)>] rows of this table, each with values of the same columns
      def self.update_each(changes)
        columns = changes.first.last.keys
        rows =
          changes.map do |record, values|
            written = columns.map { |column| type_for_attribute(column).serialize(values.fetch(column)) }
            "(#{[record.id, *written].map { |value| connection.quote(value) }.join(", ")})"
          end
        # Both databases call them so; the first is the row's number.
        set = columns.each_with_index.map { |column, at| "#{column} = each_of.column#{at + 2}" }
        connection.update(<<~SQL, "Update each")
          UPDATE #{quoted_table_name} SET #{set.join(", ")} FROM (VALUES #{rows.join(", ")}) AS each_of
          WHERE #{quoted_table_name}.id = each_of.column1
        SQL
        # Who has one in hand has it as it lies there now.
        changes.each do |record, values|
          record.assign_attributes(values)
          record.clear_attribute_changes(columns)
        end
      end

      # Reads what will be asked of several records, for all of them at once.
      # @param records [Array<Record>] of one kind
      # @param what [Array] associations
      def self.read_along(records, what) =
        ActiveRecord::Associations::Preloader.new(records: records, associations: what).call

      # @param name [Symbol] an association of many
      # @return [Array<Record>] its rows, without a relation: to make one for each of fifty costs more than the rows
      def rows_of(name) = association(name).load_target

      # Columns of JSON that are read as what they mean, whatever stands in them.
      # @see Columns
      def self.reads(*columns) = columns.each { |column| attribute column, Columns.type(table_name, column.to_s) }

      # @return [Boolean] what stands in that column of JSON is what it means, all of it
      def readable?(column)
        raw = read_attribute_before_type_cast(column)
        raw = self.class.openings[column.to_s]&.decrypt(raw) || raw if raw.is_a?(String)
        raw = JSON.parse(raw) if raw.is_a?(String)
        Columns.fault(self.class.table_name, column.to_s, raw, Date.new(2000)).nil?
      rescue JSON::ParserError
        false
      end

      # @raise [Error] where a column that no key opens would be written over
      def keep_what_is_lost(column)
        return unless will_save_change_to_attribute?(column)

        lies = self.class.unscoped.where(id: id).pick(self.class.lying(column))
        return unless self.class.openings.fetch(column).lost?(lies)

        raise Error, "What stands there can not be read, for the key of the house is missing. It is kept as it is."
      end

      # What was seen of it: whoever changes it says so, and changes nothing that somebody else changed meanwhile.
      # @return [String]
      def seen_as = Digest::SHA256.hexdigest(JSON.generate(attributes.except("updated_at")))[0, 32]

      # @param seen [String] as {#seen_as} said it
      # @raise [ActiveRecord::StaleObjectError]
      def changed_by_nobody_since!(seen)
        lock!
        raise ActiveRecord::StaleObjectError.new(self, "change") unless Rack::Utils.secure_compare(seen_as, seen.to_s)
      end

      # Doses are stored as JSON; the core's doses have symbols for keys, down to their breaks.
      def self.dose(hash) = hash && Protocols.dose(hash)
    end
  end
end
