# frozen_string_literal: true

module Windlass
  module Records
    # A decided verdict: what was proposed, what the coach decided, and where it led.
    class Move < Record
      self.table_name = "moves"
      belongs_to :prescription
      belongs_to :session

      # Moves that stand: none that was taken back.
      scope :kept, -> { where(taken_back_at: nil) }

      # The log was edited since, and the judge says another thing now.
      scope :outdated, -> { kept.where.not(verdict_now: nil) }

      def overruled? = verdict != decided
    end
  end
end
