# frozen_string_literal: true

module Windlass
  module Actions
    # Dives out of a file. The same file twice brings nothing new: a dive is known by who it was and when.
    module ReadDives
      # @param dives [Array<Windlass::Water::Dive>]
      # @param progress [Imports::Progress]
      # @return [Integer] dives that are new
      def self.call(athlete, dives, now:, progress: Imports::Progress::NONE)
        raise Error, "The file has a dive that lies ahead." if dives.any? { |dive| dive.down > now + 60 }

        fresh = new_ones(athlete, dives)
        many = ManyDives.new(athlete, fresh.map { |dive| columns(dive) })
        progress.begin("Writing", fresh.size)
        many.write(progress)
        progress.show { {"rows" => many.show(now)} }.fetch("rows")
      rescue Imports::Stopped
        many&.clear
        raise
      end

      def self.new_ones(athlete, dives)
        known = Records::Dive.where(athlete_id: athlete.id).pluck(:down_at).to_set
        dives.reject { |dive| known.include?(dive.down) }.uniq(&:down)
      end

      def self.columns(dive) =
        {
          down_at: dive.down, local_date: dive.down.getlocal.to_date, seconds: dive.seconds, depth_m: dive.depth_m,
          hard: dive.hard
        }
      private_class_method :new_ones, :columns
    end
  end
end
