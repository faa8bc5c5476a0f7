# frozen_string_literal: true

module Windlass
  module Records
    class Clearance < Record
      include Discardable

      self.table_name = "clearances"
      reads :families
      belongs_to :athlete

      # @return [Windlass::Screening::Clearance]
      def to_core
        Windlass::Screening::Clearance.new(columns: families.map(&:to_sym), given_on: given_on, expires_on: expires_on)
      end
    end
  end
end
