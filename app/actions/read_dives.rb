# frozen_string_literal: true

require "digest"

module Windlass
  module Actions
    # Dives out of a file. The same file twice brings nothing new: a dive is known by who it was and when.
    module ReadDives
      # @param dives [Array<Water::Dive>]
      # @return [Integer] dives that are new
      def self.call(athlete, dives, now:)
        raise Error, "The file has a dive that lies ahead." if dives.any? { |dive| dive.down > now + 60 }

        fresh = new_ones(athlete, dives)
        there = Records::Dive.where(athlete_id: athlete.id, local_date: fresh.map { |dive| day(dive) }.uniq).to_a
        short = short_ones(fresh, there)
        unseen = Records::Unseen.new(Records::Dive, {athlete_id: athlete.id})
        unseen.write(fresh.map { |dive| columns(athlete, dive).merge(short: short.include?(dive.down)) })
        athlete.transaction do
          there.each { |dive| dive.update_columns(short: !dive.short) if dive.short != short.include?(dive.down_at) }
          # Somebody may have read the same file meanwhile.
          unseen.show(except: {down_at: Records::Dive.where(athlete_id: athlete.id, down_at: fresh.map(&:down)).select(:down_at)})
        end
      end

      def self.new_ones(athlete, dives)
        known = Records::Dive.where(athlete_id: athlete.id).pluck(:down_at).to_set
        dives.reject { |dive| known.include?(dive.down) }.uniq(&:down)
      end

      def self.day(dive) = dive.down.getlocal.to_date

      # @return [Set<Time>] when those went under that were begun sooner than they should
      def self.short_ones(fresh, there)
        by_day = (fresh + there.map(&:to_core)).group_by { |dive| day(dive) }.values
        by_day.flat_map { |dives| (in_turn = dives.sort_by(&:down)) && Water::Surface.rests(in_turn).zip(in_turn).filter_map { |rested, dive| dive.down if rested.short } }.to_set
      end

      def self.columns(athlete, dive)
        {account_id: athlete.account_id, athlete_id: athlete.id, uuid: SecureRandom.uuid, down_at: dive.down, local_date: day(dive),
         seconds: dive.seconds, depth_m: dive.depth_m, hard: dive.hard}
      end
      private_class_method :new_ones, :day, :short_ones, :columns
    end
  end
end
