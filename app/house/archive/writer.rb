# frozen_string_literal: true

module Windlass
  module Archive
    # Writes an archive, a row a line: however large, little of it is in memory.
    class Writer
      SLICE = 1000

      # @param account [Records::Account]
      # @param athlete [Records::Athlete, nil] of whom; nil: of the whole place
      # @param without [Hash{String => Array<String>}] columns of text that stay empty, by table
      def initialize(account, athlete: nil, without: {})
        @account = account
        @athletes = athlete && [athlete.id]
        @without = without
        @places = {}
      end

      # As the place is at one moment, however long it takes and whoever writes meanwhile.
      # @yieldparam text [String] part after part
      def write(&text) = Database.at_one_moment { write_all(&text) }

      private

      def write_all
        yield %({"windlass":#{VERSION},"of":#{JSON.generate(@athletes ? "athlete" : "place")})
        yield %(,\n"place":#{JSON.generate(@account.slice(*PLACE))}) unless @athletes
        TABLES.each do |table|
          yield %(,\n"#{table.name}":[)
          first = true
          each_row(table) do |row|
            yield "#{first ? "\n" : ",\n"}#{JSON.generate(row)}"
            first = false
          end
          yield "\n]"
        end
        yield "}\n"
      end

      def each_row(table)
        found =
          staging.reduce(table.rows(@athletes, sessions: sessions, prescriptions: prescriptions)) do |rows, one|
            rows.where.not(one.brought(table))
          end
        found = table.readable(found)
        places = @places[table.name] = {}
        ids = (table.key == "id") ? found.pluck(:id) : nil
        ids&.each_with_index { |id, index| places[id] = index + 1 }
        slices(table, found, ids).each { |slice| table.read(slice).each { |values| yield row(table, values) } }
      end

      def slices(table, found, ids)
        return ids.each_slice(SLICE).lazy.map { |some| found.where(id: some) } if ids

        (0...found.count).step(SLICE).lazy.map { |from| found.offset(from).limit(SLICE) }
      end

      def row(table, values)
        values.merge(@without.fetch(table.name, []).to_h { |name| [name, ""] }).to_h do |name, value|
          target = table.target(name, values)
          [name, target ? value && @places.fetch(target)[value] : written(value, binary: table.binary?(name))]
        end
      end

      def written(value, binary:)
        return [value].pack("m0") if binary

        case value
        when Time, ActiveSupport::TimeWithZone
          value.utc.iso8601(6)
        when Date
          value.iso8601
        when Hash, Array
          in_one_order(value)
        else
          value
        end
      end

      # Databases keep the names of an object in orders of their own.
      def in_one_order(value)
        case value
        when Hash
          value.sort_by { |key, _| key.to_s }.to_h { |key, inner| [key, in_one_order(inner)] }
        when Array
          value.map { |inner| in_one_order(inner) }
        else
          value
        end
      end

      # What somebody else reads in just now is not there yet.
      def staging = @staging ||= Records::Account.staging.map { |account| Staging.new(account) }

      def sessions = @athletes && (@sessions ||= Records::Session.where(athlete_id: @athletes).ids)

      def prescriptions = @athletes && (@prescriptions ||= Records::Prescription.where(athlete_id: @athletes).ids)
    end
  end
end
