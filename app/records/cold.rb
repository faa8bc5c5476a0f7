# frozen_string_literal: true

module Windlass
  module Records
    # One time in the cold.
    class Cold < Record
      include Discardable

      self.table_name = "colds"
      belongs_to :athlete

      # What would have been refused earns no stage.
      # @return [Windlass::Cold::Time]
      def to_core = Windlass::Cold::Time.new(stage: stage, calm: calm && caution.empty?, why_out: why_out)
    end
  end
end
