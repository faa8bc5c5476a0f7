# frozen_string_literal: true

module Windlass
  module Programme
    # A week as it was planned. limit_s: the most that may be held; nil before two weeks are known.
    Week =
      Value.define(:from, :hold_seconds, :easy, :limit_s) do
        # @return [Numeric] seconds over the line; negative under it, and without one
        def over_s = limit_s ? hold_seconds - limit_s : -1
      end
  end
end
