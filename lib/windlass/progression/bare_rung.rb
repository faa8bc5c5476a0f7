# frozen_string_literal: true

module Windlass
  module Progression
    # A rung of which nothing else is known: the measures are missing that its dose would be computed from.
    BareRung =
      Value.define(:rung) do
        def lowered(rungs) = with(rung: [rung - rungs, 0].max)

        def ladder = nil

        def dose = nil

        def reduced = false
      end
  end
end
