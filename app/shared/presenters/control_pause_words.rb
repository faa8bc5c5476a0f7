# frozen_string_literal: true

module Windlass
  module Presenters
    # What the scores of twelve weeks say, in words.
    class ControlPauseWords
      # @param pauses [Array<Measures::ControlPause>] of the twelve weeks
      # @param series [Measures::MorningSeries]
      # @param trend [Trends::Slope, nil]
      # @param median [Float, nil] seconds, of the last fortnight
      # @param falls [Boolean] a fall is expected, and is progress
      # @param over_breathed [Array<Date>] days on which over-breathing was practised
      def initialize(pauses, series, trend:, median:, falls:, over_breathed:, today:)
        @pauses = pauses
        @series = series
        @trend = trend
        @median = median
        @falls = falls
        @over_breathed = over_breathed
        @today = today
      end

      # Change is spoken of only where the interval leaves no room for none.
      # @return [String, nil]
      def trend_words
        return if @trend.nil?
        return "No clear change over six weeks." unless @trend.clear?

        "Over six weeks #{signed(@trend.slope)} s a week (#{signed(@trend.low)} to " \
        "#{signed(@trend.high)})#{", as expected: that is progress" if @falls && @trend.high < 0}."
      end

      # @return [String, nil] whether the mornings after them are lower
      def after_words = (Measures::MorningsAfter.of(@series, @over_breathed, @today)&.in_words if @over_breathed.any?)

      def description
        return "No control pause in the last twelve weeks." if @pauses.empty?

        "#{Words.count(@pauses.size, "score")} in twelve weeks, #{Words.seconds(@pauses.map(&:seconds).min)} to " \
          "#{Words.seconds(@pauses.map(&:seconds).max)}. #{median_words.sub(/\A./, &:upcase)}"
      end

      def median_words
        @median ? "median of the last fortnight #{Words.seconds(@median)}." : "none valid in the last fortnight."
      end

      private

      def signed(seconds) = format("%+.1f", seconds)
    end
  end
end
