# frozen_string_literal: true

module Windlass
  module Records
    # Many rows at once, without holding the database for long: they are written in batches that nobody sees yet, and become visible in one
    # step. Killed in the middle, nothing of them is ever seen, and the next time sweeps them away.
    # A row that is not seen yet stands as discarded at a moment of the first day of 1970, its own of each writing.
    class Unseen
      # Rows a batch: the write lock is held for a few milliseconds.
      BATCH = 200
      FIRST_DAY = Time.at(0).utc..Time.at(86_400).utc

      # @param record [Class] a {Discardable} record
      # @param owner [Hash] whose rows: `{athlete_id: 3}`
      # @param random [Random]
      def initialize(record, owner, random: Random.new)
        @all = record.unscoped.where(owner)
        @stamp = Time.at(random.rand(86_400), random.rand(1_000_000)).utc
      end

      # @param rows [Array<Hash>] columns, without `discarded_at`
      def write(rows)
        @all.where(discarded_at: FIRST_DAY).delete_all
        rows.each_slice(BATCH) { |some| @all.klass.unscoped.insert_all!(some.map { |row| row.merge(discarded_at: @stamp) }) }
      end

      # Inside of a transaction.
      # @param except [Hash] of which somebody has written the same meanwhile: these go
      # @return [Integer] rows that are seen now
      def show(except: nil)
        mine = @all.where(discarded_at: @stamp)
        mine.where(except).delete_all if except
        mine.update_all(discarded_at: nil)
      end
    end
  end
end
