# frozen_string_literal: true

require "digest"

module Windlass
  module Records
    # What was erased, for as long as that can be undone.
    class Erasure < Record
      self.table_name = "erasures"
      seals :name, lost: Sealed::LOST
      seals :archive, lost: "", compress: false
      self.filter_attributes = %i[name archive]

      UNDO_DAYS = 14

      belongs_to :account

      scope :ended, ->(now) { where(ends_at: ..now) }

      # @param uuid [String] of an athlete
      def self.digested(uuid) = Digest::SHA256.hexdigest("erased #{uuid}")
    end
  end
end
