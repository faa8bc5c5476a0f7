# frozen_string_literal: true

module Windlass
  module Programme
    # What a training is on one day: the dose of the rung that is expected then. set_seconds: of one of its sets.
    # stepped: a rung more than the session before it. lowered: who comes back is put lower, and goes on from there.
    Course =
      Value.define(:rung, :dose, :seconds, :set_seconds, :hold_seconds, :washout, :expected, :stepped, lowered: false)
  end
end
