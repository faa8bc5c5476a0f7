# frozen_string_literal: true

require "time"

module Windlass
  module Archive
    # Reads an archive: all of it, or nothing. A fault names the table, the row and the column.
    class Reader
      SLICE = 200
      MOST_FAULTS = 20
      DEEPEST = 24
      MOST_CHARACTERS = 20_000

      # @param account [Records::Account] that gets it
      def initialize(account)
        @account = account
        @faults = []
        @base = {}
      end

      # @param text [String]
      # @return [Integer] athletes read
      # @raise [InvalidInput]
      def read(text)
        data = parse(text)
        faulty unless data.is_a?(Hash) && data["windlass"] == VERSION && TABLES.all? { |table| data[table.name].is_a?(Array) }
        @data = data
        Records::Record.transaction(requires_new: true) do
          TABLES.each { |table| keep(table, data[table.name]) }
          Database.number_on(TABLES.select { |table| table.key == "id" }.map(&:record))
          @account.update!(place(data["place"])) if data["place"]
        end
        data["athletes"].size
      end

      # @return [Date, Time, nil]
      def self.moment(type, text)
        type.iso8601(text)
      rescue ArgumentError
        nil
      end

      private

      def parse(text)
        JSON.parse(text.dup.force_encoding(Encoding::UTF_8).then { |whole| whole.valid_encoding? ? whole : faulty("is not UTF-8") }, max_nesting: DEEPEST)
      rescue JSON::ParserError => error
        faulty("is not JSON (#{error.message.lines.first.to_s.strip[0, 120]})")
      end

      def faulty(words = "is no archive of Windlass; allowed: an object with windlass: #{VERSION} and a list for each of #{TABLES.map(&:name).join(", ")}") = raise(InvalidInput, ["archive: #{words}"])

      def place(data)
        wrong = data.is_a?(Hash) ? data.find { |name, value| !PLACE.include?(name) || !value.is_a?(String) || value.length > 200 }&.first : "it"
        raise InvalidInput, ["place.#{wrong}: is not allowed; allowed: texts of #{PLACE.join(", ")}"] if wrong

        data
      end

      def keep(table, rows)
        @base[table.name] = (table.key == "id") ? table.record.maximum(:id).to_i : 0
        kept = rows.each_with_index.map { |row, index| read_row(table, row, index) }
        raise InvalidInput, @faults.first(MOST_FAULTS) if @faults.any?

        kept.each_slice(SLICE).with_index { |slice, number| insert(table, table.kept(slice), number * SLICE) }
      end

      def read_row(table, row, index)
        path = "#{table.name}[#{index}]"
        return fault(path, "is no object") unless row.is_a?(Hash)

        (row.keys - table.columns.map(&:name)).each { |name| fault("#{path}.#{name[0, 40]}", "is not known here") }
        own = (table.key == "id") ? {"id" => @base[table.name] + index + 1} : {}
        own["account_id"] = @account.id if table.owned?
        values = table.columns.to_h { |column| [column.name, value(table, column, row, path)] }
        Sense.of(table.name, values) { |name, words| fault("#{path}.#{name}", words) } if @faults.empty?
        own.merge(values)
      end

      def value(table, column, row, path)
        where = "#{path}.#{column.name}"
        return fault(where, "is missing") unless row.key?(column.name)

        given = row[column.name]
        return column.null ? nil : fault(where, "is missing") if given.nil?

        target = table.target(column.name, row)
        target ? reference(target, given, where) : typed(column.type, given, where)
      end

      def reference(target, given, where)
        most = @data[target].is_a?(Array) ? @data[target].size : 0
        return fault(where, "#{Error.shown(given)} is not allowed; allowed: a row of #{target}, 1 to #{most}") unless given.is_a?(Integer) && given.between?(1, most) && @base.key?(target)

        @base.fetch(target) + given
      end

      # As much of a photograph as may be uploaded.
      MOST_BYTES = 2_000_000
      BASE64 = ->(value) { value.is_a?(String) && value.bytesize <= MOST_BYTES * 4 / 3 + 4 && value.match?(%r{\A[A-Za-z0-9+/]*={0,2}\z}) && (value.length % 4).zero? }

      TYPES = {
        binary: ["bytes as base64", BASE64],
        integer: ["a whole number", ->(value) { value.is_a?(Integer) && value.abs < 2**53 }], float: ["a number", ->(value) { value.is_a?(Numeric) && value.to_f.finite? }],
        boolean: ["true or false", ->(value) { [true, false].include?(value) }], json: ["a list or an object", ->(value) { value.is_a?(Array) || value.is_a?(Hash) }],
        text: ["text of up to #{MOST_CHARACTERS} characters", ->(value) { value.is_a?(String) && value.length <= MOST_CHARACTERS && !value.include?("\u0000") }],
        date: ["a day such as 2026-03-02", ->(value) { value.is_a?(String) && Reader.moment(Date, value) }],
        datetime: ["a moment such as 2026-03-02T07:30:00.000000Z", ->(value) { value.is_a?(String) && Reader.moment(Time, value) }]
      }.freeze

      def typed(type, given, where)
        words, right = TYPES.fetch(Table.plain(type))
        return fault(where, "#{Error.shown(given)} is not allowed; allowed: #{words}") unless right[given]

        case Table.plain(type)
        when :date then Date.iso8601(given)
        when :datetime then Time.iso8601(given)
        when :binary then given.unpack1("m")
        else given
        end
      end

      def insert(table, rows, from)
        table.record.transaction(requires_new: true) { table.record.insert_all!(rows) }
      rescue ActiveRecord::StatementInvalid
        rows.each_with_index { |row, index| insert_one(table, row, "#{table.name}[#{from + index}]") }
      end

      def insert_one(table, row, path)
        table.record.transaction(requires_new: true) { table.record.insert_all!([row]) }
      rescue ActiveRecord::RecordNotUnique
        raise InvalidInput, ["#{path}: is here already"]
      rescue ActiveRecord::StatementInvalid => error
        rule = error.message[/constraint failed: (\w+)/, 1] || error.message[/violates check constraint "(\w+)"/, 1] || "the database"
        raise InvalidInput, ["#{path}: breaks the rule #{rule.delete_prefix("#{table.name.singularize}_").delete_prefix("#{table.name}_")}"]
      end

      def fault(where, words)
        @faults << "#{where}: #{words}" if @faults.size <= MOST_FAULTS
        nil
      end
    end

    # What a type alone does not say: a protocol that exists, a dose and parts that can be read.
    module Sense
      # @yieldparam column [String]
      # @yieldparam words [String] what is wrong
      def self.of(table, row)
        sense(table, row)
      rescue Unknown, InvalidInput, InvalidValue => error
        yield "protocol", error.message
      rescue KeyError, TypeError, NoMethodError, ArgumentError, ZeroDivisionError, FloatDomainError
        yield((table == "sessions") ? "segments" : "dose", "can't be read as what it is")
      end

      def self.sense(table, row)
        case table
        when "sessions"
          Timeline::Compiled.new(row["segments"].map { |segment| Timeline::Segment.from_h_plain(segment) })
          words_of(row["protocol"], row["dose"])
        when "prescriptions", "own_protocols" then words_of(row["protocol"], row["dose"])
        when "journal_events" then raise KeyError unless Timeline::EVENT_KINDS.include?(row["kind"].to_sym)
        end
      end

      def self.words_of(protocol, dose)
        given = Records::Record.dose(dose)
        Protocols.bound(protocol) { given }.in_words(given)
      end
      private_class_method :sense, :words_of
    end
  end
end
