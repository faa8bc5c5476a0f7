# frozen_string_literal: true

module Windlass
  module Physiology
    # What the model says of one hold. Seconds from the hold's start, pressures in mmHg, saturation 0..1; nothing
    # rounded; nil is "not reached" or, for the urge and the margin, "not calibrated".
    # @param beyond_s [Float, nil] from when on, within the planned hold, physiology has ended and the numbers say
    #   nothing
    HoldForecast =
      Value.define(
        :start_s, :seconds, :pco2_start, :po2_start, :co2_washout, :pco2_end, :po2_end, :sao2_min, :urge_s, :floor_s,
        :margin_s, :margin, beyond_s: nil
      ) do
        # @return [Hash] as it is published: what lies beyond physiology is said where it is so
        def to_h_plain = beyond_s ? to_h : to_h.except(:beyond_s)

        def over_breathed? = co2_washout >= OVER_BREATHED_MMHG

        def strongly_over_breathed? = co2_washout >= STRONGLY_OVER_BREATHED_MMHG

        def urge_within? = !urge_s.nil? && urge_s <= seconds

        # @return [Boolean] so long that its margin matters: the urge comes within it, or it spends most of the way to
        #   the floor
        def near_margin? = urge_within? || (!floor_s.nil? && seconds >= NEAR_FLOOR_SHARE * floor_s)

        def past_floor? = !floor_s.nil? && floor_s <= seconds
      end
  end
end
