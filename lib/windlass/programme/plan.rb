# frozen_string_literal: true

module Windlass
  module Programme
    # A session that did not find a place, so many times in a week, and why.
    Unplaced = Value.define(:week, :training, :missing, :reasons)

    # A week as it was planned. limit_s: the most that may be held; nil before two weeks are known.
    Week =
      Value.define(:from, :hold_seconds, :easy, :limit_s) do
        # @return [Numeric] seconds over the line; negative under it, and without one
        def over_s = limit_s ? hold_seconds - limit_s : -1
      end

    # sessions: {Entry}s in order of time.
    Plan = Value.define(:sessions, :unplaced, :weeks)

    # A session of a plan, with what it says for itself.
    Entry =
      Value.define(
        :training, :date, :at, :begins, :minutes, :place, :rung, :dose, :expected, :light, :seconds, :hold_seconds,
        :fixed, :proposed, :apart, :reasons
      )
  end
end
