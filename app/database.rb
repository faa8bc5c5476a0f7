# frozen_string_literal: true

require "active_record"
require "active_record/connection_adapters/sqlite3_adapter"
require "fileutils"

module Windlass
  # The connection, and nothing else.
  module Database
    ROOT = File.expand_path("..", __dir__)
    MIGRATIONS = File.join(ROOT, "db/migrate")
    BUSY_TIMEOUT_MS = 5_000

    # Active Record's own time-out keeps all Ruby threads from running while one waits for the lock; this one lets go.
    module PatientConnection
      private

      def configure_connection
        super
        @raw_connection.busy_handler_timeout = Integer(@config[:timeout])
        # What was answered as kept is on the disk, whatever happens to the power.
        @raw_connection.synchronous = "full"
      end
    end
    ActiveRecord::ConnectionAdapters::SQLite3Adapter.prepend(PatientConnection)

    # @param path [String] file of the database; made if it is not there
    def self.connect(path)
      FileUtils.mkdir_p(File.dirname(path))
      keep_private(path)
      ActiveRecord.default_timezone = :utc
      ActiveRecord::Base.establish_connection(adapter: "sqlite3", database: path, timeout: BUSY_TIMEOUT_MS, pool: 24,
        default_transaction_mode: :immediate)
    end

    # Nobody else on this machine reads it.
    def self.keep_private(path)
      File.open(path, File::CREAT, 0o600) { |file| file.chmod(0o600) } if File.writable?(File.dirname(path))
    rescue Errno::EACCES, Errno::EPERM, Errno::EROFS
      nil
    end
    private_class_method :keep_private

    # Brings the tables up to date; does nothing where they are.
    def self.migrate(verbose: false)
      ActiveRecord::Migration.verbose = verbose
      ActiveRecord::MigrationContext.new(MIGRATIONS).migrate
    end

    # @return [String]
    def self.default_path
      ENV.fetch("WINDLASS_DB") { File.join(ROOT, "db/windlass.sqlite3") }
    end
  end
end
