# frozen_string_literal: true

module Windlass
  # A house as a file, for what works on the file itself.
  module HouseFile
    # @param path [String]
    # @param failing [String] what is said where it can not be done: `can't be tidied`
    # @param readonly [Boolean]
    # @yieldparam database [SQLite3::Database] that waits for whoever writes, and lets other threads run meanwhile
    # @raise [Error]
    def self.opened(path, failing:, readonly: false)
      database = SQLite3::Database.new(path, readonly: readonly)
      database.busy_handler_timeout = Database::BUSY_TIMEOUT_MS
      yield database
    rescue SQLite3::Exception => error
      raise Error, "#{path}: #{failing} (#{error.message})."
    ensure
      database&.close
    end

    # @return [Array<String>] by name
    def self.tables(database) =
      database.execute(
        "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name"
      ).flatten
  end
end
