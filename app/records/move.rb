# frozen_string_literal: true

module Windlass
  module Records
    # A decided verdict: what was proposed, what the coach decided, and where it led.
    class Move < Record
      self.table_name = "moves"
      belongs_to :prescription
      belongs_to :session

      def overruled? = verdict != decided
    end
  end
end
