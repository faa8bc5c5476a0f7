# frozen_string_literal: true

module Windlass
  module Presenters
    # The control pauses of one athlete: the newest and how it reads, the last scores, the line of twelve weeks.
    class AthletePauses
      SCORES_SHOWN = 8

      Score = Value.define(:day, :seconds, :when, :ended_by, :first_breath, :counts, :uuid)

      # @param measure [Records::Measure]
      # @return [Measures::ControlPauseReading]
      def self.reading(measure) = read(measure.athlete, measure.to_control_pause)

      # @param pause [Measures::ControlPause]
      # @return [Measures::ControlPauseReading]
      def self.read(athlete, pause) =
        Measures::ControlPauseReading.read(pause, athlete.to_context(on: pause.taken_at.to_date))

      # @param athlete [Records::Athlete]
      # @param today [Date]
      # @param past [AthletePast]
      def initialize(athlete, today, past)
        @athlete = athlete
        @today = today
        @past = past
      end

      # @return [Measures::ControlPauseReading, nil] nil where none was taken lately
      def newest_reading = @newest_reading ||= pauses.last&.then { |newest| AthletePauses.read(@athlete, newest) }

      def newest_day = Dates.opening(pauses.last.taken_at.to_date, @today)

      def chart =
        @chart ||=
          ControlPauseChart.new(
            pauses, today: @today, over_breathed: @past.over_breathed, falls: @athlete.sleep_signs, diary: diary
          )

      # @return [String, nil] how the control pause moves
      def pause_words = ("Control pause: #{chart.median_words} #{chart.trend_words}".strip unless chart.empty?)

      # @return [Array<Score>] newest first
      def scores
        counting = Measures::MorningSeries.new(pauses).scores
        taken
          .last(SCORES_SHOWN)
          .reverse
          .map do |uuid, pause|
            Score.new(
              day: Dates.short(pause.taken_at.to_date),
              seconds: format("%.1f s", pause.seconds),
              uuid: uuid,
              when: pause.on_waking ? "on waking" : pause.taken_at.strftime("%H:%M"),
              ended_by: Measures::ENDINGS.fetch(pause.ended_by).words,
              first_breath: Measures::FIRST_BREATHS.fetch(pause.first_breath),
              counts: counting.include?(pause)
            )
          end
      end

      # @return [WhereTheyStand::Standing, nil] nil where none was taken lately
      def standing
        uuid, newest = taken.last
        return unless newest

        WhereTheyStand::Standing.new(
          name: "Control pause",
          figure: Words.seconds(newest.seconds),
          path: "/control-pauses/#{uuid}",
          spark: Spark.of(chart.mornings, today: @today),
          words: [newest_day, ("median #{Words.seconds(chart.median)}" if chart.median)].compact.join(", ")
        )
      end

      private

      # Twelve weeks, and the fortnight before that the first median needs.
      # @return [Array<Array(String, Measures::ControlPause)>] with their uuids, in the order in which they were taken
      def taken =
        @taken ||=
          Records::AthleteSnapshot.of(:pauses, [@athlete.id], @today.jd) do |(id)|
            since = (@today - (ControlPauseChart::DAYS + 14)).to_time
            own = @athlete.measures.where(kind: "control_pause", taken_at: since..).order(:taken_at)
            {id => own.map { |one| [one.uuid, one.to_control_pause].freeze }.freeze}
          end.fetch(@athlete.id)

      # @return [Array<Records::Day>] lines of the diary
      def diary =
        Records::Day
          .where(athlete_id: @athlete.id, local_date: (@today - ControlPauseChart::DAYS)..)
          .where("feeling IS NOT NULL OR slept_h IS NOT NULL")
          .to_a

      def pauses = @pauses ||= taken.map(&:last)
    end
  end
end
