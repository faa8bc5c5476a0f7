# frozen_string_literal: true

module Windlass
  module Screening
    # What a column is to one athlete on one day, why, and what would lift it. A state of :clearance lacks the word that
    # would.
    # concerned: the conditions that it is about, as they are asked.
    Finding =
      Value.define(:column, :state, :reasons, lifts: nil, concerned: []) do
        # Whether hold work of this column may go on.
        def allows? = %i[open care].include?(state)
      end
  end
end
