# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # One athlete's sheet: where they stand, whether it goes well, what is next, what to mind.
    class AthleteSheet
      extend Forwardable

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      # @param now [Time]
      def initialize(athlete, now:)
        @athlete = athlete
        @now = now
        @today = now.to_date
      end

      def_delegators :athlete, :id, :name, :notes
      def_delegators :control_pauses, :newest_reading, :newest_day, :chart, :pause_words, :scores
      def_delegators :to_mind, :cautions
      def_delegators :past, :days, :log, :urge_error

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

      def stop = athlete.stop_on(@today)

      def rest = athlete.suspensions.find { |one| !one.stop? && one.binds_on?(@today) }

      attr_reader :today

      def screening = @screening ||= ScreeningSheet.new(athlete, today: @today)

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

      # @return [Array<AthleteAhead::Line>] what comes next, most pressing first
      def ahead = @ahead ||= AthleteAhead.new(athlete, now: @now).lines

      # @return [Array<String>] what to mind, before anything is begun
      def minded = @minded ||= to_mind.minded(rest)

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

      # @return [Array<WhereTheyStand::Standing>] where they stand: the newest of each measure that doses hang on
      def standing = @standing ||= [control_pauses.standing, *WhereTheyStand.of(athlete, @today)].compact

      # @return [String] `the last 10 training days`
      def log_words = log.empty? ? "Nothing was run yet" : "the last #{Words.count(log.size, "training day")}"

      # @return [Array<MeasureChart>] suspensions at one's own pace, full and empty apart
      def baselines = @baselines ||= Baselines.of(athlete, since: @today - DaysChart::DAYS).charts

      private

      def past = @past ||= AthletePast.new(athlete, today: @today)

      def ground = @ground ||= Desk::Ground.new(athlete.account, now: @now, only: [athlete])

      def to_mind = @to_mind ||= ToMind.new(athlete, screening)

      def control_pauses = @control_pauses ||= AthletePauses.new(athlete, @today, past)
    end
  end
end
