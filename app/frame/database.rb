# frozen_string_literal: true

require "active_record"
require "active_record/connection_adapters/sqlite3_adapter"
require "fileutils"

module Windlass
  # The connection, and nothing else.
  module Database
    ROOT = File.expand_path("../..", __dir__)
    MIGRATIONS = File.join(ROOT, "db/migrate")
    BUSY_TIMEOUT_MS = 5_000

    # Active Record's own time-out keeps all Ruby threads from running while one waits for the lock; this one lets go.
    module PatientConnection
      private

      def configure_connection
        @raw_connection.busy_handler_timeout = Integer(@config[:timeout])
        # Of a file that has nothing yet: room can be given back while it is in use. Asked of any other it would wait
        # for whoever writes.
        if @raw_connection.get_first_value("PRAGMA page_count").zero?
          @raw_connection.execute("PRAGMA auto_vacuum = INCREMENTAL")
        end
        super
        # Once more: this sets its own.
        @raw_connection.busy_handler_timeout = Integer(@config[:timeout])
        # What was answered as kept is on the disk, whatever happens to the power.
        @raw_connection.synchronous = "full"
      end
    end

    # Of a statement with a list, or with words of SQL of our own, Active Record thinks that it is asked once, and has
    # the database take it apart each time anew: a twentieth of a page. Here the same ones are asked again and again.
    module KeptStatements
      def internal_exec_query(sql, name = nil, binds = [], prepare: false, **how) =
        super(sql, name, binds, prepare: prepare || (prepared_statements && binds.any?), **how)
    end
    ActiveRecord::ConnectionAdapters::SQLite3Adapter.prepend(PatientConnection, KeptStatements)

    # On PostgreSQL what is JSON can be compared, as it can in SQLite.
    def self.on_postgresql
      require "active_record/connection_adapters/postgresql_adapter"
      ActiveRecord::ConnectionAdapters::PostgreSQLAdapter.prepend(KeptStatements)
      ActiveRecord::ConnectionAdapters::PostgreSQLAdapter::NATIVE_DATABASE_TYPES[:json] = {name: "jsonb"}
    end
    private_class_method :on_postgresql

    POOL = 24

    class << self
      # @return [String] to which it is connected: a file, or an address
      attr_reader :place
    end

    # @param place [String] a file, made if it is not there; or the address of a database on PostgreSQL
    def self.connect(place)
      @place = place
      return connect_file(place) unless place.start_with?("postgres://", "postgresql://")

      on_postgresql
      ActiveRecord.default_timezone = :utc
      # Who waits for a lock waits as long as for a file.
      ActiveRecord::Base.establish_connection(
        url: place,
        pool: POOL,
        variables: {
          lock_timeout: "#{BUSY_TIMEOUT_MS}ms"
        }
      )
    end

    # @param path [String]
    def self.connect_file(path)
      FileUtils.mkdir_p(File.dirname(path))
      keep_private(path)
      ActiveRecord.default_timezone = :utc
      ActiveRecord::Base.establish_connection(
        adapter: "sqlite3", database: path, timeout: BUSY_TIMEOUT_MS, pool: POOL, default_transaction_mode: :immediate
      )
    end

    # Nobody else on this machine reads it.
    def self.keep_private(path)
      File.open(path, File::CREAT, 0o600) { |file| file.chmod(0o600) } if File.writable?(File.dirname(path))
    rescue Errno::EACCES, Errno::EPERM, Errno::EROFS
      nil
    end
    private_class_method :keep_private, :connect_file

    # @return [Boolean] one file on this machine
    def self.file?(place = default_path) = !place.start_with?("postgres")

    # What is read inside is the house as it was at one moment; nobody who writes waits for it.
    def self.at_one_moment(&reading)
      connection = ActiveRecord::Base.connection
      return yield if connection.open_transactions.positive?
      unless connection.adapter_name == "SQLite"
        return ActiveRecord::Base.transaction(isolation: :repeatable_read, &reading)
      end

      connection.execute("BEGIN DEFERRED")
      begin
        yield
      ensure
        connection.execute("COMMIT")
      end
    end

    # Numbers that nobody else gets. Inside of a transaction.
    # @param record [Class]
    # @param size [Integer] how many
    # @return [Integer] the first of them
    def self.reserve(record, size)
      connection = ActiveRecord::Base.connection
      return reserve_in_file(connection, record.table_name, size) if connection.adapter_name == "SQLite"

      # Who writes asks for a number once they have the table.
      connection.execute("LOCK TABLE #{record.quoted_table_name} IN SHARE ROW EXCLUSIVE MODE")
      sequence = connection.pk_and_sequence_for(record.table_name).last.to_s
      connection
        .select_value("SELECT nextval($1::regclass)", "SQL", [sequence])
        .tap { |first| connection.exec_query("SELECT setval($1::regclass, $2)", "SQL", [sequence, first + size]) }
    end

    # Of `main`: a connection that has changed tables has numbers of its own besides.
    def self.reserve_in_file(connection, name, size)
      last = connection.select_value("SELECT seq FROM main.sqlite_sequence WHERE name = ?", "SQL", [name])
      change =
        if last
          "UPDATE main.sqlite_sequence SET seq = ? WHERE name = ?"
        else
          "INSERT INTO main.sqlite_sequence (seq, name) VALUES (?, ?)"
        end
      connection.exec_update(change, "SQL", [last.to_i + size, name])
      last.to_i + 1
    end
    private_class_method :reserve_in_file

    # After rows were written with numbers of their own, or all were taken away: the next number follows the last.
    # @param records [Array<Class>]
    def self.number_on(records)
      connection = ActiveRecord::Base.connection
      unless connection.adapter_name == "SQLite"
        return records.each { |record| connection.reset_pk_sequence!(record.table_name) }
      end

      records
        .select { |record| record.unscoped.none? }
        .each do |record|
          connection.exec_delete("DELETE FROM main.sqlite_sequence WHERE name = ?", "SQL", [record.table_name])
        end
    end

    # @return [Boolean] they were made
    def self.tables? = ActiveRecord::Base.connection.table_exists?("erasures")

    # Brings the tables up to date; does nothing where they are.
    def self.migrate(verbose: false)
      ActiveRecord::Migration.verbose = verbose
      ActiveRecord::MigrationContext.new(MIGRATIONS).migrate
    end

    # @return [String] what a server that is not told otherwise shows: the demo
    def self.default_path = named("windlass")

    # @return [String] what bin/start shows, and what all that looks after it means: never the demo
    def self.house_path = named("house")

    # The house of bin/start, or what WINDLASS_DB or DATABASE_URL names, with its tables up to date.
    def self.open_house
      connect(house_path)
      migrate
    end

    # @return [String] the same, for what works on a file
    # @raise [Error] where it is on a server
    def self.house_file =
      house_path.tap do |place|
        unless file?(place)
          raise Error,
            "This house is on PostgreSQL, which has tools of its own for that; this is for a house in a file."
        end
      end

    def self.named(name) =
      ENV.fetch("WINDLASS_DB") { ENV.fetch("DATABASE_URL") { File.join(ROOT, "db/#{name}.sqlite3") } }
    private_class_method :named
  end
end
