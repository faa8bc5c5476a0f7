# frozen_string_literal: true

module Windlass
  module Records
    # Days on which somebody does not train.
    class Absence < Record
      self.table_name = "absences"
      belongs_to :athlete

      scope :on, ->(date) { where(from_on: ..date, to_on: date..) }

      # @return [Programme::Absence]
      def to_core = Windlass::Programme::Absence.new(from: from_on, to: to_on)
    end
  end
end
