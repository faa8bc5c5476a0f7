# frozen_string_literal: true

module Windlass
  module Records
    # A family with a dose of the coach's own, under a name.
    class OwnProtocol < Record
      self.table_name = "own_protocols"
      belongs_to :account

      scope :by_name, -> { order(Arel.sql("lower(name)"), :id) }

      def to_protocol = Protocols.bound(protocol) { to_dose }

      def to_dose = Record.dose(dose)
    end
  end
end
