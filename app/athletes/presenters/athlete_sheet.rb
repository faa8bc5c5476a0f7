# frozen_string_literal: true

module Windlass
  module Presenters
    # One athlete's sheet: where they stand, whether it goes well, what is next, what to mind.
    class AthleteSheet
      SCORES_SHOWN = 8

      Score = Value.define(:day, :seconds, :when, :ended_by, :first_breath, :counts, :uuid)

      # @param measure [Records::Measure]
      # @return [Measures::ControlPauseReading]
      def self.reading(measure)
        pause = measure.to_control_pause
        Measures::ControlPauseReading.read(pause, measure.athlete.to_context(on: pause.taken_at.to_date))
      end

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      # @param now [Time]
      def initialize(athlete, now:)
        @athlete = athlete
        @now = now
        @today = now.to_date
      end

      def id = athlete.id

      def name = athlete.name

      def about
        [
          Words.count(athlete.age_on(@today), "year"),
          *athlete.disciplines,
          "#{Words.number(athlete.height_cm)} cm",
          "#{Words.number(athlete.mass_kg)} kg",
          ("pulse #{athlete.resting_pulse}" if athlete.resting_pulse),
          ("vital capacity #{Words.number(athlete.vital_capacity_l)} L" if athlete.vital_capacity_l)
        ].compact.join(" · ")
      end

      def notes = athlete.notes

      def stop = athlete.stop_on(@today)

      def rest = athlete.suspensions.find { |one| !one.stop? && one.binds_on?(@today) }

      attr_reader :today

      # What has to be minded when reading this athlete's scores.
      def cautions
        [
          (
            if athlete.control_pause_use == "paused"
              again = athlete.control_pause_again_on&.then { |day| "Asked again on #{Words.date(day)}." }
              ["The control pause is paused: quiet breathing comes first.", *again].join(" ")
            end
          ),
          ("Uneasy with a blocked nose: never chase the score." if athlete.nervous),
          ("Signs of bad sleep: a long score is a warning, and its fall is progress." if athlete.sleep_signs)
        ].compact
      end

      def screening = @screening ||= ScreeningSheet.new(athlete, today: @today)

      # @return [Measures::ControlPauseReading, nil] nil where none was taken lately
      def newest_reading =
        @newest_reading ||=
          pauses.last&.then do |newest|
            Measures::ControlPauseReading.read(newest, athlete.to_context(on: newest.taken_at.to_date))
          end

      def newest_day = Dates.opening(pauses.last.taken_at.to_date, @today)

      def chart =
        @chart ||=
          ControlPauseChart.new(
            pauses,
            today: @today,
            over_breathed: past.over_breathed,
            falls: athlete.sleep_signs,
            diary: diary
          )

      # @return [Progression::TrainingTrend]
      def going
        @going ||=
          Progression::TrainingTrend.read(
            decided: past.decided,
            days: past.trained,
            gasping: past.gasping,
            trend: chart.trend,
            falls: athlete.sleep_signs,
            stopped: !stop.nil?
          )
      end

      # @return [String, nil] how the control pause moves
      def pause_words = ("Control pause: #{chart.median_words} #{chart.trend_words}".strip unless chart.empty?)

      # @return [Array<AthleteAhead::Line>] what comes next, most pressing first
      def ahead = @ahead ||= AthleteAhead.new(athlete, now: @now).lines

      # @return [Array<String>] what to mind, before anything is begun
      def minded = @minded ||= [rest&.reason, *cautions, *cares].compact

      # @return [Array<PrescriptionSheet>]
      def prescriptions
        @prescriptions ||=
          ground
            .prescriptions
            .sort_by(&:id)
            .map do |one|
              PrescriptionSheet.new(one, now: @now, situations: ground.situations, sets_done: ground.sets_done(one.id))
            end
      end

      # @return [Array<Standing>] where they stand: the newest of each measure that doses hang on
      def standing = [pause_standing, *other_standing].compact
      Standing = Value.define(:name, :figure, :words, :path, :spark)

      # @return [DaysChart]
      def days = past.days

      # @return [Array<MeasureChart>] suspensions at one's own pace, full and empty apart
      def baselines = @baselines ||= Baselines.of(athlete, since: @today - DaysChart::DAYS).charts

      # @return [Array<SessionLog::Line>] of the last ten days on which something was run
      def log = past.log

      # @return [UrgeErrorChart]
      def urge_error = past.urge_error

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

      private

      def past = @past ||= AthletePast.new(athlete, today: @today)

      def ground = @ground ||= Desk::Ground.new(athlete.account, now: @now, only: [athlete])

      # What the screening leaves open with care, and to what.
      def cares
        screening
          .rows
          .select { |row| row.state == :care }
          .group_by(&:reasons)
          .map { |reasons, rows| "Care in #{Words.list(rows.map { |row| row.words.downcase })}: #{reasons.join(" ")}" }
      end

      def pause_standing
        uuid, newest = taken.last
        return unless newest

        Standing.new(
          name: "Control pause",
          figure: Words.seconds(newest.seconds),
          path: "/control-pauses/#{uuid}",
          spark: Spark.of(chart.mornings, today: @today),
          words: [newest_day, ("median #{Words.seconds(chart.median)}" if chart.median)].compact.join(", ")
        )
      end

      def other_standing
        others = athlete.measures.where.not(kind: "control_pause").order(:taken_at).group_by(&:kind)
        Measures::KINDS.filter_map do |kind|
          own = others[kind.id]&.map { |one| [one.taken_at.getlocal.to_date, one.value] } or next
          recent = own.select { |day, _| day > @today - ControlPauseChart::DAYS }
          Standing.new(
            name: kind.name,
            figure: kind.value_words(own.last.last),
            words: Dates.opening(own.last.first, @today),
            path: "/measures/#{others[kind.id].last.uuid}",
            spark: Spark.of(recent, today: @today)
          )
        end
      end

      # Twelve weeks, and the fortnight before that the first median needs.
      # @return [Array<Array(String, Measures::ControlPause)>] with their uuids, in the order in which they were taken
      def taken =
        @taken ||=
          Records::AthleteSnapshot.of(:pauses, [athlete.id], @today.jd) do |(id)|
            since = (@today - (ControlPauseChart::DAYS + 14)).to_time
            own = athlete.measures.where(kind: "control_pause", taken_at: since..).order(:taken_at)
            {id => own.map { |one| [one.uuid, one.to_control_pause].freeze }.freeze}
          end.fetch(athlete.id)

      # @return [Array<Records::Day>] lines of the diary
      def diary =
        Records::Day
          .where(athlete_id: athlete.id, local_date: (@today - ControlPauseChart::DAYS)..)
          .where("feeling IS NOT NULL OR slept_h IS NOT NULL")
          .to_a

      def pauses = @pauses ||= taken.map(&:last)
    end
  end
end
