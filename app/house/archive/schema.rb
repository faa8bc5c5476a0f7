# frozen_string_literal: true

module Windlass
  module Archive
    # The published schema of an archive, made from the tables themselves: `rake docs:archive` writes it.
    module Schema
      TYPES = {
        binary: {
          type: "string",
          contentEncoding: "base64"
        },
        integer: {type: "integer"},
        float: {type: "number"},
        boolean: {type: "boolean"},
        json: {type: %w[array object]},
        text: {
          type: "string",
          maxLength: Reader::MOST_CHARACTERS
        },
        date: {
          type: "string",
          pattern: '^\d{4}-\d{2}-\d{2}$'
        },
        datetime: {
          type: "string",
          format: "date-time"
        }
      }.freeze

      # @return [Hash]
      def self.to_h
        lists = TABLES.to_h { |table| [table.name, {type: "array", items: row(table)}] }
        {
          "$schema": "https://json-schema.org/draft/2020-12/schema",
          "$id": "https://windlass.invalid/formats/archive.schema.json",
          title: "An archive of Windlass",
          type: "object",
          required: %w[windlass of athletes],
          additionalProperties: false,
          properties: {
            windlass: {
              type: "integer",
              minimum: 1,
              maximum: VERSION
            },
            of: {enum: %w[place athlete]},
            place: {
              type: "object",
              properties: PLACE.to_h { |name| [name, {type: "string"}] },
              additionalProperties: false
            },
            **lists.transform_keys(&:to_sym)
          }
        }
      end

      def self.row(table)
        columns = table.columns.to_h { |column| [column.name, column(table, column)] }
        required = table.columns.reject { |column| column.null || table.default(column.name) }.map(&:name)
        {type: "object", required: required, additionalProperties: false, properties: columns}
      end

      def self.column(table, column)
        rules =
          if table.target(column.name, {"of" => "sessions"})
            {type: "integer", minimum: 1}
          else
            TYPES.fetch(Table.plain(column.type))
          end
        column.null ? rules.merge(type: [*rules[:type], "null"]) : rules
      end
      private_class_method :row, :column
    end
  end
end
