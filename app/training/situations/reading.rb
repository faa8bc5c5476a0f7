# frozen_string_literal: true

module Windlass
  class Situations
    # Reads what is known for many athletes at once, of whom anything has changed.
    class Reading
      # Nothing that the rules ask of single sessions is older; of each protocol the newest session is looked up
      # besides.
      RECENT_DAYS = 3
      # A maximal test keeps the next one away for a week.
      TEST_DAYS = Progression::Readiness::MAXIMAL_DAYS + 1
      MORNING_DAYS = Progression::Readiness::LIGHT_DAYS + 2

      # @param ids [Array<Integer>] of athletes
      # @return [Hash{Integer => Snapshot}]
      def self.of(ids, today) =
        Records::AthleteSnapshot.of(:known, ids, today.jd) { |some| new(some, today).known }

      def initialize(ids, today)
        @ids = ids
        @today = today
      end

      # @return [Hash{Integer => Snapshot}]
      def known = athletes.to_h { |athlete| [athlete.id, of(athlete)] }

      private

      # Read anew: what somebody has in hand may be older than the mark.
      def athletes =
        @athletes ||= Records::Athlete.where(id: @ids).includes(:suspensions, :screenings, :clearances).to_a

      def of(athlete)
        suspension = athlete.suspension_on(@today)
        measures = values.fetch(athlete.id)
        Snapshot.new(
          screen: athlete.to_screen(on: @today),
          stopped: (suspension.reason if suspension&.stop?),
          resting_until: (suspension.until_on if suspension && !suspension.stop?),
          movement_fault: movements[athlete.id]&.then { |details| Measures::BreathingMovement.fault(details) },
          mornings: mornings.fetch(athlete.id),
          context: context(athlete),
          history: history.fetch(athlete.id, []).map(&:last).freeze,
          measures: measures,
          outlook: Forecasts.outlook(athlete, on: @today, values: measures)
        )
      end

      # A fall that is expected, or a measure that is paused, asks for no light day.
      def context(athlete) =
        Measures::Context.new(use: athlete.control_pause_use.to_sym, sleep_signs: athlete.sleep_signs)

      def values = @values ||= Records::Measure.newest_values(athletes)

      def mornings = @mornings ||= Records::Measure.morning_series(@ids, since: @today - MORNING_DAYS)

      def movements = @movements ||= Records::Measure.newest_movements(@ids)

      # What was run, tested and sat out in the cold lately.
      def history =
        @history ||= (Records::Session.outlines(@ids, since: @today - RECENT_DAYS) + tests + colds).group_by(&:first)

      def colds
        Records::Cold
          .where(athlete_id: @ids, local_date: (@today - 1)..)
          .map do |cold|
            [
              cold.athlete_id,
              Progression::Outline.new(
                id: "cold #{cold.id}",
                date: cold.local_date,
                protocol: Progression::COLD.id,
                ended_at: cold.ended_at.getlocal
              )
            ]
          end
      end

      def tests
        since = @today - TEST_DAYS
        Records::Measure
          .where(athlete_id: @ids, kind: "maximal_hold", taken_at: Time.new(since.year, since.month, since.day)..)
          .map do |test|
            at = test.taken_at.getlocal
            [
              test.athlete_id,
              Progression::Outline.new(
                id: "test #{test.id}",
                date: at.to_date,
                protocol: Progression::MAXIMAL_TEST.id,
                ended_at: at
              )
            ]
          end
      end
    end
  end
end
