# frozen_string_literal: true

module Windlass
  module Measures
    # A comfortable pause after a normal breath out, to the first clear signal: a measure of carbon-dioxide sensitivity.
    ControlPause =
      Value.define(:seconds, :taken_at, :on_waking, :ended_by, :first_breath) do
        # @param seconds [Numeric]
        # @param taken_at [Time]
        # @param on_waking [Boolean] first thing in the morning, before food
        # @param ended_by [Symbol] a key of {ENDINGS}
        # @param first_breath [Symbol] :calm, :deeper or :gasp
        def initialize(seconds:, taken_at:, on_waking:, ended_by:, first_breath:)
          super
        end

        # Held past the signal: the next breath tells.
        def pushed? = first_breath != :calm

        def bodily_signal? = ENDINGS.fetch(ended_by).bodily

        # Outside this it is measured anew rather than believed.
        def plausible? = PLAUSIBLE_S.cover?(seconds)

        # Counts as a control pause at all.
        def valid? = plausible? && bodily_signal? && !pushed?

        # Counts towards the morning trend, if it is the first of its day.
        def valid_morning? = valid? && on_waking

        def band = BANDS.find { |band| seconds < band.below_s }
      end
  end
end
