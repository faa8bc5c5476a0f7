# frozen_string_literal: true

module Windlass
  module Measures
    # The reference series: the first valid control pause on waking of each day.
    class MorningSeries
      BASELINE_DAYS = 14
      TREND_DAYS = 42
      # A trend of fewer is none.
      LEAST_SCORES = 6

      # @return [Array<ControlPause>] one a day at most, in order of time
      attr_reader :scores

      # @param control_pauses [Enumerable<ControlPause>] in any order
      def initialize(control_pauses)
        on_waking = control_pauses.select(&:on_waking).sort_by(&:taken_at)
        @scores =
          on_waking.group_by { |pause| pause.taken_at.to_date }.filter_map { |_day, taken| taken.find(&:valid?) }
        @scores.freeze
        # Days as numbers: a chart asks for a fortnight before every single score.
        @days = @scores.map { |pause| pause.taken_at.to_date.jd }.freeze
        freeze
      end

      # Median of the valid scores of the 14 days that end with this one.
      # @return [Float, nil] seconds
      def baseline_s(on)
        Trends.median(within(on - (BASELINE_DAYS - 1), on).map(&:seconds))
      end

      # How the scores of the last six weeks move, seconds a week.
      # @return [Trends::Slope, nil] nil of fewer than six scores
      def trend(on)
        recent = within(on - (TREND_DAYS - 1), on)
        return if recent.size < LEAST_SCORES

        Trends::TheilSen.slope(recent.map { |pause| [(pause.taken_at.to_date - on).to_i / 7.0, pause.seconds] })
      end

      # @return [Array<ControlPause>] both days included
      def within(from, to)
        first, past = [from.jd, to.jd + 1].map { |day| @days.bsearch_index { |one| one >= day } || @days.size }
        scores[first...past]
      end
    end
  end
end
