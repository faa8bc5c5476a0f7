# frozen_string_literal: true

module Windlass
  module Presenters
    # One athlete's sheet: where they stand, whether it goes well, what is next, what to mind.
    class AthleteSheet
      LOG_DAYS = 28
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
        [Words.count(athlete.age_on(@today), "year"), *athlete.disciplines, "#{Words.number(athlete.height_cm)} cm",
          "#{Words.number(athlete.mass_kg)} kg", ("pulse #{athlete.resting_pulse}" if athlete.resting_pulse),
          ("vital capacity #{Words.number(athlete.vital_capacity_l)} L" if athlete.vital_capacity_l)].compact.join(" · ")
      end

      def notes = athlete.notes

      def stop = athlete.suspensions.find { |one| one.stop? && one.binds_on?(@today) }

      def rest = athlete.suspensions.find { |one| !one.stop? && one.binds_on?(@today) }

      attr_reader :today

      # What has to be minded when reading this athlete's scores.
      def cautions
        [
          ("The control pause is paused: quiet breathing comes first.#{" Asked again on #{Words.date(athlete.control_pause_again_on)}." if athlete.control_pause_again_on}" if athlete.control_pause_use == "paused"),
          ("Uneasy with a blocked nose: never chase the score." if athlete.nervous),
          ("Signs of bad sleep: a long score is a warning, and its fall is progress." if athlete.sleep_signs)
        ].compact
      end

      def screening = @screening ||= ScreeningSheet.new(athlete, today: @today)

      def newest_reading
        newest = measures.last
        newest && self.class.reading(newest)
      end

      def newest_day = Dates.opening(measures.last.taken_at.getlocal.to_date, @today)

      def chart = @chart ||= ControlPauseChart.new(pauses, today: @today, over_breathed: over_breathed, falls: athlete.sleep_signs, diary: diary)

      # @return [Array<String>] whether it goes well, in short
      def going
        [("Control pause: #{chart.median_words} #{chart.trend_words}" unless chart.empty?), (log.in_short unless log.empty?)].compact
      end

      # @return [Array<PrescriptionSheet>]
      def prescriptions
        @prescriptions ||= begin
          situations = Situations.new([athlete], now: @now)
          athlete.prescriptions.open.order(:id).map { |one| PrescriptionSheet.new(one, now: @now, situations: situations) }
        end
      end

      # @return [DaysChart]
      def days
        since = @today - (DaysChart::DAYS - 1)
        @days ||= DaysChart.new(DaysChart.held(athlete, since: since), Records::Move.kept.where(prescription_id: athlete.prescription_ids, local_date: since..).to_a, today: @today)
      end

      # @return [Array<MeasureChart>] suspensions at one's own pace, full and empty apart
      def baselines = @baselines ||= Baselines.of(athlete, since: @today - DaysChart::DAYS).charts

      # The newest of each other measure, in words.
      # @return [Array<Array(String, String, String)>] name, reading's headline, address
      def other_measures
        newest = athlete.measures.where.not(kind: "control_pause").order(:taken_at).to_a.index_by(&:kind)
        Measures::KINDS.filter_map do |kind|
          measure = newest[kind.id] or next
          [kind.name, "#{kind.value_words(measure.value)}, #{Dates.near(measure.taken_at.getlocal.to_date, @today)}", "/measures/#{measure.uuid}"]
        end
      end

      def log
        @log ||= begin
          days = ((@today - LOG_DAYS)..)
          sessions = athlete.sessions.kept.where(local_date: days).in_order.to_a
          moves = Records::Move.kept.where(prescription_id: athlete.prescription_ids).where(local_date: days).to_a
          outcomes = Records::Round.outcomes(sessions.map(&:id))
          # Only what holds once at most can be one: the others are not read whole.
          short = sessions.map(&:id).select { |id| outcomes.fetch(id, []).count { |outcome| outcome.held_ms.to_i > 0 } <= 1 }
          SessionLog.new(sessions, moves, outcomes, false_starts: Records::Session.false_starts(short))
        end
      end

      # @return [UrgeErrorChart]
      def urge_error = @urge_error ||= UrgeErrorChart.of(athlete, today: @today)

      # @return [Array<Score>] newest first
      def scores
        counting = Measures::MorningSeries.new(pauses).scores
        measures.zip(pauses).last(SCORES_SHOWN).reverse.map do |measure, pause|
          Score.new(day: Dates.short(pause.taken_at.to_date), seconds: format("%.1f s", pause.seconds), uuid: measure.uuid,
            when: pause.on_waking ? "on waking" : pause.taken_at.strftime("%H:%M"),
            ended_by: Measures::ENDINGS.fetch(pause.ended_by).words,
            first_breath: Measures::FIRST_BREATHS.fetch(pause.first_breath), counts: counting.include?(pause))
        end
      end

      private

      # Twelve weeks, and the fortnight before that the first median needs.
      def measures
        @measures ||= athlete.measures.where(kind: "control_pause")
          .where(taken_at: (@now - (ControlPauseChart::DAYS + 14) * 86_400)..).order(:taken_at).to_a
      end

      # @return [Array<Date>] days on which over-breathing was practised
      def over_breathed
        since = @today - ControlPauseChart::DAYS
        Records::Session.outlines([athlete.id], since: since).map(&:last).select { |past| past.date >= since && past.over_breathed }.map(&:date)
      end

      # @return [Array<Records::Day>] lines of the diary
      def diary = Records::Day.where(athlete_id: athlete.id, local_date: (@today - ControlPauseChart::DAYS)..).where("feeling IS NOT NULL OR slept_h IS NOT NULL").to_a

      def pauses = @pauses ||= measures.map(&:to_control_pause)
    end
  end
end
