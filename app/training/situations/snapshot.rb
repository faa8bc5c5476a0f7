# frozen_string_literal: true

module Windlass
  class Situations
    # What is known of an athlete on a day, whatever is asked about: all that they do not say themselves.
    # outlook: what the gas model says of doses; nil where it has nothing to say.
    Snapshot =
      Value.define(
        :screen, :stopped, :resting_until, :movement_fault, :mornings, :context, :history, :measures, :outlook
      ) do
        # @return [Hash] of a {Progression::Situation}
        def ground = to_h.except(:outlook)
      end
  end
end
