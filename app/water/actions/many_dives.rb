# frozen_string_literal: true

module Windlass
  module Actions
    # Dives of one athlete, many at once: written where nobody sees them, then visible in one step.
    class ManyDives
      # @param athlete [Records::Athlete]
      # @param rows [Array<Hash>] columns, `down_at`, `local_date` and `seconds` among them
      def initialize(athlete, rows)
        @athlete = athlete
        @rows =
          rows.map { |row| {account_id: athlete.account_id, athlete_id: athlete.id, uuid: SecureRandom.uuid, **row} }
        @unseen = Records::Unseen.new(Records::Dive, {athlete_id: athlete.id})
      end

      # @param progress [Imports::Progress]
      def write(progress)
        @there =
          Records::Dive.where(athlete_id: @athlete.id, local_date: @rows.map { |row| row[:local_date] }.uniq).to_a
        @short = short_ones
        @unseen.write(@rows.map { |row| row.merge(short: @short.include?(row[:down_at])) }) do |count|
          progress.step(count)
        end
      end

      # Inside of a transaction.
      # @return [Integer] dives that are seen now
      def show(now)
        @there.each { |dive| dive.update_columns(short: !dive.short) if dive.short != @short.include?(dive.down_at) }
        # Somebody may have read the same file meanwhile.
        count =
          @unseen.show(
            except: {
              down_at:
                Records::Dive.where(athlete_id: @athlete.id, down_at: @rows.map { |row| row[:down_at] }).select(
                  :down_at
                )
            }
          )
        signs = @rows.select { |row| LogDive::STOPS.key?(row[:signs]) }.map { |row| row[:uuid] }
        Records::Dive.where(uuid: signs).in_order.each { |dive| LogDive.stop(dive, now) }
        count
      end

      def clear = @unseen.clear

      private

      # @return [Set<Time>] when those went under that were begun sooner than they should
      def short_ones
        dives =
          @rows.map do |row|
            Windlass::Water::Dive.new(
              down: row[:down_at],
              seconds: row[:seconds],
              depth_m: row[:depth_m],
              hard: row[:hard] == true
            )
          end + @there.map(&:to_core)
        dives
          .group_by { |dive| dive.down.getlocal.to_date }
          .values
          .flat_map { |day| short_of(day.sort_by(&:down)) }
          .to_set
      end

      def short_of(day) =
        Windlass::Water::Surface.rests(day).zip(day).filter_map { |rested, dive| dive.down if rested.short }
    end
  end
end
