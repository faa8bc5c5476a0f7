# frozen_string_literal: true

module Windlass
  module Queries
    # What of each athlete says whether they come, move or slide, read for all at once and kept under their mark.
    module Whereabouts
      # @param athletes [Array<Records::Athlete>]
      # @return [Hash{Integer => Progression::Whereabouts}] by athlete; nobody to whom nothing is prescribed
      def self.of(athletes, today:)
        by_id = athletes.index_by(&:id)
        Records::AthleteSnapshot.of(:whereabouts, by_id.keys, today.jd) do |ids|
          read(by_id.slice(*ids), today)
        end.compact
      end

      def self.read(athletes, today)
        ids = athletes.keys
        since = Records::Prescription.open.where(athlete_id: ids).group(:athlete_id).minimum(:started_on)
        days = days(ids, today)
        moves = moves(ids, today)
        mornings = Records::Measure.morning_series(since.keys, since: today - Progression::Whereabouts::SPAN_DAYS)
        since.to_h do |id, started_on|
          rows = [days, moves].map { |all| all.fetch(id, []) }
          [id, one(athletes.fetch(id), started_on.to_date, *rows, mornings.fetch(id), today)]
        end
      end

      def self.one(athlete, since, days, moves, mornings, today)
        lately = decided(moves, today, Progression::Whereabouts::SPAN_DAYS)
        slope = mornings.trend(today)
        Progression::Whereabouts.new(
          last_on: days.max,
          days: days.count { |date| today - date < Progression::Whereabouts::SPAN_DAYS },
          up: lately.fetch("advance", 0),
          down: lately.values_at("ease", "rest", "stop").compact.sum,
          stepped_on: moves.filter_map { |_, decided, date| date if decided == "advance" }.max,
          since: since,
          rises: Progression::TrainingTrend.direction(slope),
          trend:
            Progression::TrainingTrend.read(
              decided: decided(moves, today, Progression::TrainingTrend::DAYS),
              days: days.count { |date| today - date < Progression::TrainingTrend::DAYS },
              # Steps alone say that somebody slides.
              gasping: 0,
              trend: slope,
              falls: athlete.sleep_signs
            )
        )
      end

      # @return [Hash{String => Integer}] verdicts of so many days, counted
      def self.decided(moves, today, days) =
        moves.select { |_, _, date| today - date < days }.map { |_, decided, _| decided }.tally

      def self.days(ids, today)
        Records::Session
          .kept
          .where(athlete_id: ids, local_date: (today - Progression::Whereabouts::BACK_DAYS)..today)
          .where("done_ms > 0")
          .distinct
          .pluck(:athlete_id, :local_date)
          .group_by(&:first)
          .transform_values { |rows| rows.map { |_, date| date.to_date } }
      end

      def self.moves(ids, today)
        Records::Move
          .kept
          .joins(:prescription)
          .where(prescriptions: {athlete_id: ids})
          .where(local_date: (today - Progression::Whereabouts::BACK_DAYS)..today)
          .pluck("prescriptions.athlete_id", :decided, :local_date)
          .map { |id, decided, date| [id, decided, date.to_date] }
          .group_by(&:first)
      end
      private_class_method :read, :one, :decided, :days, :moves
    end
  end
end
