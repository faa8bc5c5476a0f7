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
      # @param today [Date] what was done lies before it
      # @param progress [Imports::Progress] is told how far it is
      def initialize(account, today: Date.today, progress: Imports::Progress::NONE)
        @account = account
        @today = today
        @progress = progress
        @faults = []
      end

      # @param text [String]
      # @return [Integer] athletes read
      # @raise [InvalidInput]
      def read(text) = Reader.finish(bring(text))

      # Everything is checked before anything is written; what is written nobody sees until all of it is there.
      # @return [Hash] what is left to {.finish}
      # @raise [InvalidInput]
      def bring(text)
        @data = upgraded(parse(text))
        place = place(@data["place"] || {})
        @staging =
          Staging.begin(@data.slice(*TABLES.map(&:name)).transform_values(&:size)) do |account|
            @progress.stages(account)
          end
        staged do |rows|
          rows.each { |table, kept| write(table, kept) }
          @progress.show do
            @staging.show(@account, place: place) && {"rows" => @data["athletes"].size, "part" => @staging.account.id}
          end
        end
      end

      # What is visible moves over.
      # @param left [Hash] of {#bring}
      # @return [Integer] athletes read
      def self.finish(left)
        Staging.new(Records::Account.find(left.fetch("part"))).move
        left.fetch("rows")
      end

      # @return [Date, Time, nil]
      def self.moment(type, text)
        type.iso8601(text)
      rescue ArgumentError
        nil
      end

      private

      # Where it goes wrong, or is stopped, nothing of it stays.
      def staged
        @progress.begin("Checking", TABLES.sum { |table| @data[table.name].size })
        checked = TABLES.to_h { |table| [table, checked(table)] }
        @progress.begin("Writing", checked.sum { |_, rows| rows.size })
        yield checked
      rescue => error
        @staging.clear
        raise error
      end

      def parse(text)
        whole = text.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF")
        JSON.parse(whole.valid_encoding? ? whole : faulty("is not UTF-8"), max_nesting: DEEPEST)
      rescue JSON::ParserError => error
        faulty("is not JSON (#{error.message.lines.first.to_s.strip[0, 120]})")
      end

      # @return [Hash] as this version writes it; a table that an earlier version did not have is empty
      def upgraded(data)
        version = data["windlass"] if data.is_a?(Hash)
        faulty unless version.is_a?(Integer) && version.positive? && data["athletes"].is_a?(Array)
        if version > VERSION
          faulty("is of version #{version}; allowed: up to #{VERSION}. A newer Windlass wrote it, and can read it")
        end

        whole = (version...VERSION).reduce(data) { |known, step| UPGRADES.fetch(step).call(known) }
        TABLES
          .to_h { |table| [table.name, []] }
          .merge(whole)
          .tap { |all| faulty unless TABLES.all? { |table| all[table.name].is_a?(Array) } }
      end

      def faulty(
        words = "is no archive of Windlass; allowed: an object with windlass: 1 to #{VERSION} and a list for each " \
          "of #{TABLES.map(&:name).join(", ")}"
      ) = raise(InvalidInput, ["archive: #{words}"])

      def place(data)
        wrong =
          if data.is_a?(Hash)
            data.find { |name, value| !PLACE.include?(name) || !value.is_a?(String) || value.length > 200 }&.first
          else
            "it"
          end
        raise InvalidInput, ["place.#{wrong}: is not allowed; allowed: texts of #{PLACE.join(", ")}"] if wrong

        data
      end

      def checked(table)
        rows =
          @data[table.name]
            .each_slice(SLICE)
            .with_index
            .flat_map do |slice, number|
              slice
                .each_with_index
                .map { |row, index| read_row(table, row, number * SLICE + index) }
                .tap { @progress.step(slice.size) }
            end
        @faults.empty? ? rows : raise(InvalidInput, @faults.first(MOST_FAULTS))
      end

      def write(table, rows)
        rows
          .each_slice(SLICE)
          .with_index do |slice, number|
            insert(table, table.kept(slice), number * SLICE)
            @progress.step(slice.size)
          end
      end

      def read_row(table, row, index)
        path = "#{table.name}[#{index}]"
        return fault(path, "is no object") unless row.is_a?(Hash)

        (row.keys - table.columns.map(&:name)).each { |name| fault("#{path}.#{name[0, 40]}", "is not known here") }
        own = (table.key == "id") ? {"id" => @staging.base(table) + index + 1} : {}
        own["account_id"] = @staging.account.id if table.owned?
        values = table.columns.to_h { |column| [column.name, value(table, column, row, path)] }
        Sense.of(table.name, values, born_on(row)) { |name, words| fault("#{path}.#{name}", words) } if @faults.empty?
        own.merge(values)
      end

      def value(table, column, row, path)
        where = "#{path}.#{column.name}"
        return unsaid(table, column, where) unless row.key?(column.name)

        given = row[column.name]
        return column.null ? nil : fault(where, "is missing") if given.nil?

        target = table.target(column.name, row)
        return reference(target, given, where) if target

        found = typed(column.type, given, where)
        allowed = found.nil? ? nil : Records::Columns.fault(table.name, column.name, found, @today)
        allowed ? fault(where, "#{Error.shown(given)} is not allowed; allowed: #{allowed}") : found
      end

      # An archive of an earlier version says nothing of what came later: that is as it is where nobody says anything.
      def unsaid(table, column, where)
        usual = table.default(column.name)
        (usual.nil? && !column.null) ? fault(where, "is missing") : usual
      end

      # @return [Date, nil] of whose row it is
      def born_on(row)
        whose =
          if row["athlete_id"].is_a?(Integer) && row["athlete_id"].positive?
            @data["athletes"][row["athlete_id"] - 1]
          end
        Reader.moment(Date, whose["born_on"].to_s) if whose.is_a?(Hash)
      end

      def reference(target, given, where)
        table = TABLES.find { |one| one.name == target && one.key == "id" }
        most = table ? @data[target].size : 0
        unless given.is_a?(Integer) && given.between?(1, most)
          return fault(where, "#{Error.shown(given)} is not allowed; allowed: a row of #{target}, 1 to #{most}")
        end

        @staging.base(table) + given
      end

      # As much of a photograph as may be uploaded.
      MOST_BYTES = 2_000_000
      BASE64 = ->(value) do
        value.is_a?(String) && value.bytesize <= MOST_BYTES * 4 / 3 + 4 && value.match?(%r{\A[A-Za-z0-9+/]*={0,2}\z}) &&
          (value.length % 4).zero?
      end

      TYPES = {
        binary: ["bytes as base64", BASE64],
        integer: ["a whole number", ->(value) { value.is_a?(Integer) && value.abs < 2**53 }],
        float: ["a number", ->(value) { value.is_a?(Numeric) && value.to_f.finite? }],
        boolean: ["true or false", ->(value) { [true, false].include?(value) }],
        json: ["a list or an object", ->(value) { value.is_a?(Array) || value.is_a?(Hash) }],
        text: [
          "text of up to #{MOST_CHARACTERS} characters",
          ->(value) { value.is_a?(String) && value.length <= MOST_CHARACTERS && !value.include?("\u0000") }
        ],
        date: ["a day such as 2026-03-02", ->(value) { value.is_a?(String) && Reader.moment(Date, value) }],
        datetime: [
          "a moment such as 2026-03-02T07:30:00.000000Z",
          ->(value) { value.is_a?(String) && Reader.moment(Time, value) }
        ]
      }.freeze

      def typed(type, given, where)
        words, right = TYPES.fetch(Table.plain(type))
        return fault(where, "#{Error.shown(given)} is not allowed; allowed: #{words}") unless right[given]

        case Table.plain(type)
        when :date
          Date.iso8601(given)
        when :datetime
          Time.iso8601(given)
        when :binary
          given.unpack1("m")
        else
          given
        end
      end

      def insert(table, rows, from)
        table.record.transaction(requires_new: true) { table.record.unscoped.insert_all!(rows) }
      rescue ActiveRecord::StatementInvalid
        rows.each_with_index { |row, index| insert_one(table, row, "#{table.name}[#{from + index}]") }
      end

      def insert_one(table, row, path)
        table.record.transaction(requires_new: true) { table.record.unscoped.insert_all!([row]) }
      rescue ActiveRecord::RecordNotUnique
        raise InvalidInput, ["#{path}: is here already"]
      rescue ActiveRecord::StatementInvalid => error
        rule =
          error.message[/constraint failed: (\w+)/, 1] || error.message[/violates check constraint "(\w+)"/, 1] ||
          "the database"
        raise InvalidInput,
          [
            "#{path}: breaks the rule " \
            "#{rule.delete_prefix("#{table.name.singularize}_").delete_prefix("#{table.name}_")}"
          ]
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
      # @param born_on [Date, nil] of whose row it is
      def self.of(table, row, born_on = nil, &fault)
        sense(table, row)
        times(row, born_on, &fault)
      rescue Unknown, InvalidInput, InvalidValue => error
        yield "protocol", error.message
      rescue KeyError, TypeError, NoMethodError, ArgumentError, ZeroDivisionError, RangeError
        yield((table == "sessions") ? "segments" : "dose", "can't be read as what it is")
      end

      def self.sense(table, row)
        case table
        when "sessions"
          Timeline::Compiled.new(row["segments"].map { |segment| Timeline::Segment.from_h_plain(segment) })
          words_of(row["protocol"], row["dose"])
        when "prescriptions", "own_protocols"
          words_of(row["protocol"], row["dose"])
        when "journal_events"
          raise KeyError unless Timeline::EVENT_KINDS.include?(row["kind"].to_sym)
        end
      end

      # Nothing ends before it begins, and nobody trains before they are born.
      def self.times(row, born_on)
        began, ended = row.values_at("started_at", "ended_at")
        if began && ended && ended < began
          yield "ended_at", "#{ended.iso8601} lies before its beginning; allowed: from #{began.iso8601} on"
        end

        %w[local_date answered_on given_on].each do |column|
          day = row[column]
          yield column, "#{day} lies before #{born_on}, the day of birth" if day && born_on && day < born_on
        end
      end

      def self.words_of(protocol, dose)
        given = Records::Record.dose(dose)
        Protocols.bound(protocol) { given }.in_words(given)
      end
      private_class_method :sense, :times, :words_of
    end
  end
end
