# frozen_string_literal: true

module Windlass
  module Records
    # Somebody who uses the house. What they may do hangs on their roles.
    class Person < Record
      self.table_name = "people"
      self.filter_attributes = %i[login name]

      OPEN = 2
      CLOSED = 3

      belongs_to :account
      has_many :roles

      scope :open, -> { where(status_id: OPEN) }
      scope :by_name, -> { order(Arel.sql("lower(name)"), :id) }

      # @param on [Date]
      # @return [Array<Role>] that hold on a day
      def roles_on(on) = rows_of(:roles).select { |role| role.holds?(on) }

      # @param moment [Time]
      # @return [Array<Role>] that held then
      def roles_at(moment) = rows_of(:roles).select { |role| role.held_at?(moment) }

      # @param athlete [Athlete]
      # @param on [Date]
      # @return [Boolean] they are that athlete
      def themselves?(athlete, on:) =
        roles_on(on).any? { |role| role.kind == "athlete" && role.athlete_id == athlete.id }

      # @param uuid [String] as it stands beside a deed
      # @return [String] ` by Maren`; nothing where nobody had signed in yet, or they are not of this house
      def self.by(uuid) = uuid.empty? ? "" : where(uuid: uuid).pick(:name)&.then { |name| " by #{name}" }.to_s

      def closed? = status_id == CLOSED
    end
  end
end
