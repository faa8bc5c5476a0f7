# frozen_string_literal: true

module Windlass
  module Records
    # One time in the cold.
    class Cold < Record
      include Discardable

      self.table_name = "colds"
      belongs_to :athlete

      # @return [Windlass::Cold::Time]
      def to_core = Windlass::Cold::Time.new(stage: stage, calm: calm, why_out: why_out)
    end
  end
end
