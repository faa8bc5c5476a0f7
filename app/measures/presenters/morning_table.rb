# frozen_string_literal: true

module Windlass
  module Presenters
    # Who has a morning score of the day, who has none, and for whom none can be taken.
    class MorningTable
      # score: what stands there of the day. why_not: nothing is taken, in words.
      Row = Value.define(:id, :name, :score, :why_not)

      ENDED_BY = Measures::ENDINGS.transform_values(&:words).freeze

      attr_reader :athlete_filter

      # @param athlete_filter [AthleteFilter]
      # @param day [Date] of the scores
      # @param today [Date]
      def initialize(athlete_filter, day:, today:)
        @athlete_filter = athlete_filter
        @day = day
        @today = today
      end

      # @return [Array<Row>] by name; nobody whose control pause is paused
      def rows
        @rows ||=
          athletes.map do |athlete|
            Row.new(id: athlete.id, name: athlete.name, score: scores[athlete.id], why_not: why_not(athlete))
          end
      end

      # @return [Array<Records::Athlete>] for whom a score can be kept
      def open = @open ||= athletes.reject { |athlete| why_not(athlete) }

      private

      def athletes =
        @athletes ||=
          athlete_filter.athletes.includes(:suspensions, :consents).reject do |athlete|
            athlete.control_pause_use == "paused"
          end

      def why_not(athlete)
        BeforeAPause.new(athlete, today: @today).stop ||
          (Consents.missing_words(athlete, @today) if Consents.missing?(athlete, @today))
      end

      def scores
        @scores ||=
          Records::Measure
            .where(
              athlete_id: athletes.map(&:id),
              kind: "control_pause",
              on_waking: true,
              taken_at: @day.to_time...(@day + 1).to_time
            )
            .order(:taken_at)
            .to_h { |measure| [measure.athlete_id, "#{Words.number(measure.value)} s"] }
      end
    end
  end
end
