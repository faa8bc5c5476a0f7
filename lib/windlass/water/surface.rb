# frozen_string_literal: true

module Windlass
  # Dives are logged; depth is never planned.
  module Water
    # A dive beside the one before it. needed_s: to stay up after it. rest_before_s: since the last surfacing; nil of
    # the first. short: begun sooner than needed.
    Rested = Value.define(:needed_s, :rest_before_s, :short)

    # How long to stay up after a dive. Common practice, no source: the largest of twice the dive, one minute, and from
    # 20 m on a fifth of the depth in metres as minutes; half as much again after a hard one. A coach may set more,
    # never less.
    module Surface
      TIMES_DIVE = 2
      LEAST_S = 60
      DEEP_FROM_M = 20
      MINUTES_A_METRE = Rational(1, 5)
      HARD = Rational(3, 2)

      # @return [Hash{Symbol => Float}] the figures, for a clock without a network
      def self.to_h =
        {
          times_dive: TIMES_DIVE, least_s: LEAST_S, deep_from_m: DEEP_FROM_M, minutes_a_metre: MINUTES_A_METRE.to_f,
          hard: HARD.to_f
        }

      # @param dive [Dive]
      # @param margin [Numeric] 1 or more
      # @return [Float] seconds
      def self.needed_s(dive, margin: 1)
        by_depth = (dive.depth_m.to_f >= DEEP_FROM_M) ? dive.depth_m.to_r * MINUTES_A_METRE * 60 : 0
        ([dive.seconds.to_r * TIMES_DIVE, LEAST_S, by_depth].max * margin.to_r * (dive.hard ? HARD : 1)).to_f
      end

      # @param dives [Array<Dive>] in order of time, none over another
      # @return [Array<Rested>]
      def self.rests(dives, margin: 1)
        dives.each_with_index.map do |dive, index|
          before = dives[index - 1] if index.positive?
          rest = before && (dive.down - before.up).to_f
          Rested.new(
            needed_s: needed_s(dive, margin: margin),
            rest_before_s: rest,
            short: !rest.nil? && rest < needed_s(before, margin: margin)
          )
        end
      end

      # @return [Time, nil] when the next dive may begin; nil before the first
      def self.earliest_next(dives, margin: 1) = dives.last&.then { |dive| dive.up + needed_s(dive, margin: margin) }
    end
  end
end
