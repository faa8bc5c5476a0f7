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

        athlete.transaction do
          known = Records::Dive.where(athlete_id: athlete.id, down_at: dives.map(&:down)).pluck(:down_at)
          fresh = dives.reject { |dive| known.include?(dive.down) }.uniq(&:down)
          fresh.each { |dive| Records::Dive.create!(dive.to_h.slice(:seconds, :depth_m, :hard).merge(account_id: athlete.account_id, athlete: athlete, uuid: SecureRandom.uuid, down_at: dive.down, local_date: dive.down.getlocal.to_date)) }
          fresh.map { |dive| dive.down.getlocal.to_date }.uniq.each { |date| LogDive.flag(athlete, date) }
          fresh.size
        end
      end
    end
  end
end
