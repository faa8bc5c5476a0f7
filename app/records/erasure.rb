# frozen_string_literal: true

module Windlass
  module Records
    # What was erased, for as long as that can be undone.
    class Erasure < Record
      self.table_name = "erasures"
      extend Digested

      digests "erased"
      seals :name, lost: Sealed::LOST
      seals :archive, lost: "", compress: false
      self.filter_attributes = %i[name archive]

      UNDO_DAYS = 14

      belongs_to :account

      scope :ended, ->(now) { where(ends_at: ..now) }
    end
  end
end
