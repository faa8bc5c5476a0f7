# frozen_string_literal: true

module Windlass
  module Records
    # One dive as it was logged.
    class Dive < Record
      include Discardable

      self.table_name = "dives"
      belongs_to :athlete
      belongs_to :account

      scope :in_order, -> { order(:down_at) }

      # @return [Water::Dive]
      def to_core = Water::Dive.new(down: down_at, seconds: seconds, depth_m: depth_m, hard: hard)
    end
  end
end
