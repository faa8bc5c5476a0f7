# frozen_string_literal: true

module Windlass
  module Records
    # Many rows at once, without holding the database for long: they are written in batches that nobody sees yet, and
    # become visible in one step. Killed in the middle, nothing of them is ever seen, and the next time sweeps them
    # away. A row that is not seen yet stands as discarded at a moment of the first day of 1970, its own of each
    # writing.
    class Unseen
      # Rows a batch: the write lock is held for a few milliseconds.
      BATCH = 200
      FIRST_DAY = Time.at(0).utc..Time.at(86_400).utc
      # Words of a query: everything but these rows.
      NOT_THESE = "(discarded_at IS NULL OR discarded_at > '1970-01-02')"

      # When its rows are said to be discarded.
      attr_reader :stamp

      # @param record [Class] a {Discardable} record
      # @param owner [Hash] whose rows: `{athlete_id: 3}`
      # @param random [Random]
      def initialize(record, owner, random: Random.new)
        @all = record.unscoped.where(owner)
        @stamp = Time.at(random.rand(86_400), random.rand(1_000_000)).utc
      end

      # What somebody left who was killed goes.
      def sweep = @all.where(discarded_at: FIRST_DAY).delete_all

      # @param rows [Array<Hash>] columns, without `discarded_at`
      # @yieldparam count [Integer] rows that were written just now
      def write(rows)
        sweep
        @written = rows.size
        rows.each_slice(BATCH) do |some|
          @all.klass.unscoped.insert_all!(some.map { |row| row.merge(discarded_at: @stamp) })
          yield some.size if block_given?
        end
      end

      # It is as if none had come.
      def clear = @all.where(discarded_at: @stamp).delete_all

      # Inside of a transaction.
      # @raise [Error] where somebody else has swept them away
      # @param except [Hash] of which somebody has written the same meanwhile: these go
      # @return [Integer] rows that are seen now
      def show(except: nil)
        mine = @all.where(discarded_at: @stamp)
        if @written && mine.count != @written
          raise Error, "Somebody else reads in for the same athletes just now. Nothing was kept: try it again."
        end

        mine.where(except).delete_all if except
        mine.update_all(discarded_at: nil)
      end
    end
  end
end
