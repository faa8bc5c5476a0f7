# frozen_string_literal: true

module Windlass
  module Presenters
    # The days around an athlete's today: what is planned, what was decided of late.
    class MyWeek
      # Days of the week to come, from today on.
      AHEAD_DAYS = 7

      # Days of which it is said what was decided.
      NEWS_DAYS = 2

      Day = Value.define(:words, :sets)

      # @param athlete [Records::Athlete] who reads it
      # @param today [Date]
      def initialize(athlete, today)
        @athlete = athlete
        @today = today
      end

      # @return [Array<Day>] the days to come on which something is planned
      def week =
        @week ||=
          planned
            .reject { |one| one.local_date == @today }
            .group_by(&:local_date)
            .map { |date, own| Day.new(words: Dates.short(date), sets: own.map { |one| "#{one.name}, #{one.at}" }) }

      # @return [Array<String>] what was decided of the last days
      def news
        Records::Move
          .kept
          .where(prescription_id: @athlete.prescription_ids, local_date: (@today - NEWS_DAYS)..)
          .order(decided_at: :desc)
          .includes(:prescription)
          .map do |move|
            "#{move.prescription.name}, #{Dates.near(move.local_date, @today)}: " \
            "#{MyWords::NEXT.fetch(move.decided).sub(/\A./, &:downcase)}"
          end
      end

      # @return [Array<Records::PlannedSession>] from today on
      def planned
        @planned ||=
          Records::PlannedSession
            .where(programme_id: Records::Programme.open.where(athlete_id: @athlete.id).select(:id))
            .where(local_date: @today...(@today + AHEAD_DAYS))
            .where.not(prescription_id: nil)
            .includes(:prescription)
            .in_order
            .to_a
      end
    end
  end
end
