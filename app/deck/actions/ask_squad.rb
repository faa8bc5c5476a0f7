# frozen_string_literal: true

module Windlass
  module Actions
    # Today's questions to a group at once: who has nothing to say is kept as such; the others are asked by themselves.
    module AskSquad
      # @param athletes [Array<Records::Athlete>]
      # @param clear [Array<String>] ids of those of whom it was said that there is nothing
      # @param watcher [String] who watches the group; empty where nobody does
      # @return [Array<Records::Athlete>] who was not asked today
      def self.call(athletes, clear:, watcher:, now:)
        said = Records::Day.where(athlete_id: athletes.map(&:id), local_date: now.to_date).pluck(:athlete_id)
        cleared, unasked =
          athletes
            .reject { |athlete| said.include?(athlete.id) }
            .partition { |athlete| clear.include?(athlete.id.to_s) }
        cleared.each { |athlete| KeepDay.call(athlete, {watcher: watcher}, now: now) }
        unasked
      end
    end
  end
end
