# frozen_string_literal: true

module Windlass
  module Measures
    # Finds the hiss among the levels: places in the list.
    class Hiss
      OVER_FLOOR_DB = 12
      ONSET_S = 0.15
      UNDER_MEDIAN_DB = 6
      END_OVER_FLOOR_DB = 6
      END_S = 0.3
      BEFORE_S = 1.0
      FLOOR_SHARE = 0.1
      SETTLED_S = 0.5
      FLICKER_DB = 4
      # A slope of more points is no truer.
      MOST_POINTS = 400

      # @return [Integer, nil] where it begins
      attr_reader :onset

      # @return [Integer, nil] where it is over
      attr_reader :finish

      def initialize(levels_db, step_s)
        @levels = levels_db
        @step_s = step_s
        @onset = (1..@levels.size - steps(ONSET_S)).find { |place| begins?(place) }
        return if @onset.nil?

        @floor = floor(@onset)
        faded = low_from(@onset, @levels.size) { |level| level < @floor + END_OVER_FLOOR_DB }
        @median = Trends.median(@levels[@onset...faded])
        @finish = low_from(@onset, faded) { |level| level <= @median - UNDER_MEDIAN_DB }
      end

      # @return [Float, nil] standard deviation after the first half second; nil of a shorter one
      def evenness_db
        return if settled.empty?

        mean = settled.sum / settled.size.to_f
        Math.sqrt(settled.sum { |level| (level - mean)**2 } / settled.size)
      end

      # @return [Integer] dips that are shorter than an end
      def flickers
        runs = @levels[@onset...@finish].chunk { |level| level <= @median - FLICKER_DB }
        runs.count { |low, run| low && run.size < steps(END_S) }
      end

      # @return [Float, nil] dB a second
      def drift_db_s
        stride = [(settled.size / MOST_POINTS.to_f).ceil, 1].max
        points =
          settled
            .each_with_index
            .select { |_, index| (index % stride).zero? }
            .map { |level, index| [index * @step_s, level] }
        Trends::TheilSen.slope(points)&.slope
      end

      private

      def settled = @levels[(@onset + steps(SETTLED_S))...@finish] || []

      # So many levels make that time.
      def steps(seconds) = [(seconds / @step_s - 1e-9).ceil, 1].max

      def begins?(place)
        limit = floor(place) + OVER_FLOOR_DB
        @levels[place, steps(ONSET_S)].all? { |level| level >= limit }
      end

      # The noise of the second before: whatever was earlier does not matter.
      def floor(place)
        before = @levels[[place - steps(BEFORE_S), 0].max...place].sort
        before[((before.size - 1) * FLOOR_SHARE).round]
      end

      # @return [Integer] where it is low for as long as an end takes, or to the last level; else the end of the list
      def low_from(from, to)
        run = 0
        (from...to).each do |place|
          run = yield(@levels[place]) ? run + 1 : 0
          return place - run + 1 if run >= steps(END_S)
        end
        to - ((to == @levels.size) ? run : 0)
      end
    end
  end
end
