# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # What an athlete ran in the last weeks, as the sheet says and draws it. Worked out once, and again when anything of
    # it changes: their mark stands for all of it. What is counted and what is drawn are asked for by themselves.
    class AthletePast
      LOG_LINES = 10

      # decided: verdicts of four weeks, counted. trained, gasping: training days of four weeks, and those with a gasp.
      Counted = Value.define(:over_breathed, :decided, :trained, :gasping)
      Drawn = Value.define(:days, :log, :urge_error)

      extend Forwardable

      # @param athlete [Records::Athlete]
      def initialize(athlete, today:)
        @athlete = athlete
        @today = today
      end

      def_delegators :counted, :over_breathed, :decided, :trained, :gasping
      def_delegators :drawn, :days, :log, :urge_error

      private

      def counted =
        @counted ||=
          kept(:counted) do
            Counted.new(
              over_breathed: Records::Session.over_breathed_days(@athlete.id, since: @today - ControlPauseChart::DAYS),
              decided: moves.where(local_date: four_weeks).group(:decided).count,
              trained: Records::Session.days_done([@athlete.id], four_weeks).size,
              gasping: Records::Session.days_with_gasps(@athlete.id, four_weeks)
            )
          end

      def drawn =
        @drawn ||=
          kept(:drawn) do
            Drawn.new(days: days_drawn, log: lines, urge_error: UrgeErrorChart.of(@athlete, today: @today))
          end

      def kept(part)
        id = @athlete.id
        Records::AthleteSnapshot.of(part, [id], @today.jd) { {id => yield} }.fetch(id)
      end

      def four_weeks = (@today - Progression::TrainingTrend::DAYS + 1)..@today

      def moves = Records::Move.kept.where(prescription_id: @athlete.prescription_ids)

      def days_drawn
        since = @today - (DaysChart::DAYS - 1)
        DaysChart.new(Queries::HeldDays.of(@athlete, since: since), moves.where(local_date: since..).to_a,
          today: @today)
      end

      # @return [Array<SessionLog::Line>] of the last ten days on which something was run
      def lines
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
