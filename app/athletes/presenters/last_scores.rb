# frozen_string_literal: true

module Windlass
  module Presenters
    # What stands beside a control pause while it is taken: what it was on the days before.
    class LastScores
      SHOWN = 5

      # @param sheet [AthleteSheet]
      def initialize(sheet)
        @sheet = sheet
      end

      # @return [Array<AthletePauses::Score>] newest first
      def last = @last ||= @sheet.scores.first(SHOWN)

      # @return [String]
      def median_words = @sheet.chart.median ? Words.seconds(@sheet.chart.median) : "–"

      # @return [Spark, nil]
      def spark = Spark.of(@sheet.chart.mornings, today: @sheet.today)
    end
  end
end
