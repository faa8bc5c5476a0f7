# frozen_string_literal: true

module Windlass
  module Presenters
    # What an athlete ran in the last weeks, as the sheet says and draws it. Worked out once, and again when anything of
    # it changes: their mark stands for all of it.
    class AthletePast
      LOG_LINES = 10

      # decided: verdicts of four weeks, counted. trained, gasping: training days of four weeks, and those with a gasp.
      Worked = Value.define(:days, :log, :urge_error, :over_breathed, :decided, :trained, :gasping)

      # @param athlete [Records::Athlete]
      # @return [Worked]
      def self.of(athlete, today:) =
        Records::AthleteSnapshot
          .of(:past, [athlete.id], today.jd) { {athlete.id => new(athlete, today: today).worked} }
          .fetch(athlete.id)

      def initialize(athlete, today:)
        @athlete = athlete
        @today = today
      end

      def worked
        Worked.new(
          days: days,
          log: log,
          urge_error: UrgeErrorChart.of(@athlete, today: @today),
          over_breathed: Records::Session.over_breathed_days(@athlete.id, since: @today - ControlPauseChart::DAYS),
          decided: moves.where(local_date: four_weeks).group(:decided).count,
          trained: Records::Session.days_done([@athlete.id], four_weeks).size,
          gasping: Records::Session.days_with_gasps(@athlete.id, four_weeks)
        )
      end

      private

      def four_weeks = (@today - Progression::TrainingTrend::DAYS + 1)..@today

      def moves = Records::Move.kept.where(prescription_id: @athlete.prescription_ids)

      def days
        since = @today - (DaysChart::DAYS - 1)
        DaysChart.new(DaysChart.held(@athlete, since: since), moves.where(local_date: since..).to_a, today: @today)
      end

      # @return [Array<SessionLog::Line>] of the last ten days on which something was run
      def log
        newest =
          run
            .distinct
            .order(local_date: :desc, prescription_id: :desc)
            .limit(LOG_LINES)
            .pluck(:local_date, :prescription_id)
        return [] if newest.empty?

        sessions = run.where(local_date: newest.last.first..).in_order.to_a
        outcomes = Records::Round.outcomes(sessions.map(&:id))
        # Only what holds once at most can be one: the others are not read whole.
        short =
          sessions.map(&:id).select { |id| outcomes.fetch(id, []).count { |outcome| outcome.held_ms.to_i > 0 } <= 1 }
        SessionLog.new(
          sessions,
          moves.where(local_date: newest.last.first..).to_a,
          outcomes,
          false_starts: Records::Session.false_starts(short),
          most: LOG_LINES
        ).lines
      end

      def run = @athlete.sessions.kept
    end
  end
end
