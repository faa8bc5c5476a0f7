# frozen_string_literal: true

module Windlass
  module Records
    # The house: who owns the records. What an archive brings lies with an account of its own until all of it is
    # there; then that account becomes a part of the house, in one step, and its rows move over bit by bit.
    class Account < Record
      self.table_name = "accounts"

      # Nobody sees what they have.
      scope :staging, -> { where.not(staged: nil).where(part_of_id: nil) }

      # @return [Account, nil] the first of them, read along with what is a part of it
      def self.house
        house, *others = order(:id)
        house&.tap { house.ids = [house, *others.select { |one| one.part_of_id == house.id && one.staged }].map(&:id) }
      end

      # @return [Array<Integer>] accounts whose rows are this house's
      def ids = @ids ||= [id, *Account.where(part_of_id: id).where.not(staged: nil).ids]

      attr_writer :ids

      # @return [Account] itself, where somebody sees all of it
      def house = self

      # @param rows [ActiveRecord::Relation, Class] of a table of the house
      def of(rows) = rows.where(account_id: ids)

      def athletes = Athlete.where(account_id: ids)

      def active_athletes = athletes.active

      def own_protocols = OwnProtocol.where(account_id: ids, deleted_at: nil)

      # @return [Emergency::Place]
      def place =
        Emergency::Place.new(
          number: emergency_number,
          site: site,
          oxygen_at: oxygen_at,
          defibrillator_at: defibrillator_at
        )
    end
  end
end
