# frozen_string_literal: true

module Windlass
  # Gives back the room that nothing needs any more, and tells the database how its tables lie: while the house is in
  # use, in steps so short that nobody waits for one.
  module Tidy
    # Pages that are given back in a step, and rows of an index that are looked at.
    STEP_PAGES = 64
    LOOKED_AT = 400
    # Others have their turn between steps. Seconds.
    PAUSE_S = 0.02
    INCREMENTAL = 2

    # pages: given back. left: that could be, but not while the house is in use. longest_ms: for which others could not
    # write.
    Done = Value.define(:pages, :left, :tables, :longest_ms)

    class << self
      # @param path [String] of the database, in use or not
      # @param pause [#call] between steps
      # @return [Done]
      # @raise [Error] where there is no house, or others write without a break
      def call(path, pause: -> { sleep PAUSE_S })
        opened(path) do |database|
          free = free_pages(database)
          took = given_back(database, free).map { |step| timed(&step).tap { pause.call } }
          left = free_pages(database)
          took += looked_at(database).map { |step| timed(&step).tap { pause.call } }
          # What was given back leaves the file only once the log is carried into it.
          database.execute("PRAGMA wal_checkpoint(TRUNCATE)")
          Done.new(pages: free - left, left: left, tables: HouseFile.tables(database).size, longest_ms: took.max || 0)
        end
      end

      # Writes the whole file anew; from then on room can be given back while it is in use.
      # @raise [Error] where somebody has the house open
      def whole(path)
        opened(path) do |database|
          Occupied.alone(path) { database.execute_batch("PRAGMA auto_vacuum = INCREMENTAL; VACUUM; ANALYZE;") }
        end
      end

      private

      def free_pages(database) = database.get_first_value("PRAGMA freelist_count")

      def given_back(database, free)
        return [] unless database.get_first_value("PRAGMA auto_vacuum") == INCREMENTAL

        Array.new((free / STEP_PAGES.to_f).ceil) { -> { database.execute("PRAGMA incremental_vacuum(#{STEP_PAGES})") } }
      end

      def looked_at(database)
        database.execute("PRAGMA analysis_limit = #{LOOKED_AT}")
        HouseFile.tables(database).map { |table| -> { database.execute("ANALYZE \"#{table}\"") } }
      end

      def timed
        began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        yield
        (Process.clock_gettime(Process::CLOCK_MONOTONIC) - began) * 1000
      end

      def opened(path, &block)
        raise Error, "#{path}: there is no database." unless File.exist?(path)

        HouseFile.opened(path, failing: "can't be tidied", &block)
      end
    end
  end
end
