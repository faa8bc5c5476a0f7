# frozen_string_literal: true

module Windlass
  module Archive
    # Where an archive lies until all of it is there: with an account of its own, under numbers that were taken for it
    # beforehand. Nobody sees it there. Then that account becomes a part of the house, in one step, and its rows move
    # over bit by bit.
    class Staging
      # Rows a batch: the lock is held for some milliseconds.
      SLICE = 200
      # Others have their turn between two batches. Seconds.
      PAUSE_S = 0.005
      # Nobody reads an archive for so long.
      LEFT_S = 86_400

      # @param sizes [Hash{String => Integer}] rows that come, by table
      # @yieldparam account [Records::Account] in the same transaction
      # @return [Staging]
      def self.begin(sizes, now: Time.now)
        Records::Record.transaction do
          firsts =
            TABLES
              .select { |table| table.key == "id" }
              .to_h { |table| [table.name, Database.reserve(table.record, sizes.fetch(table.name))] }
          account =
            Records::Account.create!(
              name: "What an archive brings",
              created_at: now,
              staged: firsts.to_h { |name, first| [name, [first, sizes.fetch(name)]] }
            )
          yield account if block_given?
          new(account)
        end
      end

      # What somebody left who was killed goes after a day; what is a part of the house already moves over to the end.
      def self.sweep(now: Time.now)
        Records::Account.staging.where(created_at: ..(now - LEFT_S)).each { |account| new(account).clear }
        parts = Records::Account.where.not(part_of_id: nil)
        parts.where.not(staged: nil).each { |account| new(account).move }
        parts.each(&:destroy!)
      end

      attr_reader :account

      def initialize(account)
        @account = account
      end

      # @return [Integer] number of the first row of a table, less one
      def base(table) = account.staged.fetch(table.name, [1]).first - 1

      # @return [Hash] that finds the rows of a table that were brought
      def brought(table) = (table.key == "id") ? {id: numbers(table.name)} : {session_id: numbers("sessions")}

      # All of it is seen from now on.
      # @param house [Records::Account]
      # @raise [InvalidInput] where it has what a house can have only once
      # @param place [Hash] what the archive says of the place
      def show(house, place: {})
        Records::Record.transaction do
          TABLES.select(&:owned?).each { |table| refuse_doubles(table, house) }
          account.update!(part_of_id: house.id)
          house.update!(place)
        end
      end

      # Nobody notices: whose they are is read from both accounts meanwhile.
      def move
        TABLES
          .select(&:owned?)
          .each do |table|
            batches(table.record.unscoped.where(account_id: account.id), table) do |some|
              some.update_all(account_id: account.part_of_id)
            end
          end
        account.update!(staged: nil)
      end

      # It is as if nothing had come.
      def clear
        TABLES.reverse_each { |table| batches(table.record.unscoped.where(brought(table)), table, &:delete_all) }
        account.destroy!
      end

      private

      def refuse_doubles(table, house)
        only_once(table).each do |columns|
          there = table.record.unscoped.where(account_id: house.ids).pluck(*columns).to_set
          number, =
            table
              .record
              .unscoped
              .where(account_id: account.id)
              .pluck(:id, *columns)
              .find { |_, *found| there.include?(found.one? ? found.first : found) }
          raise InvalidInput, ["#{table.name}[#{number - base(table) - 1}]: is here already"] if number
        end
      end

      # @return [Array<Array<String>>] columns that no two rows of a house have in common
      def only_once(table) =
        table
          .record
          .connection
          .indexes(table.name)
          .select { |index| index.unique && index.columns.include?("account_id") }
          .map { |index| index.columns - ["account_id"] }

      def numbers(name)
        first, size = account.staged.fetch(name)
        first...(first + size)
      end

      def batches(found, table)
        loop do
          keys = found.limit(SLICE).pluck(table.key)
          break if keys.empty?

          yield table.record.unscoped.where(table.key => keys)
          sleep PAUSE_S
        end
      end
    end
  end
end
