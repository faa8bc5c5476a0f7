# frozen_string_literal: true

module Windlass
  module Measures
    # What has to be known of a person to read a score: the same 45 seconds are strength in one and a warning in
    # another. baseline_s is the median of the fortnight before, nil where there is none.
    # @param trained [Boolean] a practised breath-holder
    # @param nervous [Boolean] uneasy with a blocked nose; a near-drowning or suffocation in the past
    # @param sleep_signs [Boolean] snoring, daytime sleepiness, pauses in sleep
    # @param busy_signs [Boolean] mouth breathing by day, yawning
    # @param child [Boolean] under twelve: no holds at all
    # @param use [Symbol] :primary, :background or :paused
    Context =
      Value.define(
        trained: false, nervous: false, sleep_signs: false, busy_signs: false, child: false, use: :primary,
        baseline_s: nil
      )
  end
end
