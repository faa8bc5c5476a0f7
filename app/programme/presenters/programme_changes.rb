# frozen_string_literal: true

module Windlass
  module Presenters
    # What a plan made now would change, before it is kept.
    module ProgrammeChanges
      # A change that planning anew would make.
      Change = Value.define(:words, :why)

      # @param plan [Windlass::Programme::Plan]
      # @param ahead [Array<Records::PlannedSession>] what is still to come
      # @return [Array<Change>] in order of time
      def self.of(plan, ahead)
        difference = Windlass::Programme::Difference.new(ahead, plan)
        gone =
          difference.gone.map do |one|
            [one, Change.new(words: "#{at(one)}: #{one.name.downcase} goes.", why: left_out_because(one, plan))]
          end
        moved =
          difference.moved.map do |one, entry|
            [entry, Change.new(words: "#{at(one)}: #{one.name.downcase} moves to #{at(entry)}.", why: nil)]
          end
        fresh =
          difference.fresh.map do |entry|
            [
              entry,
              Change.new(words: "#{at(entry)}: #{entry.training.name.downcase} comes.", why: entry.reasons.first.text)
            ]
          end
        (gone + moved + fresh).sort_by { |one, change| [one.date, one.at, change.words] }.map(&:last)
      end

      def self.at(one) = "#{Dates.short(one.date)}, #{one.at}"

      # @return [String, nil] the first wall that it met in its week
      def self.left_out_because(one, plan) =
        plan
          .unplaced
          .find { |other| other.training.key == one.key && (other.week..other.week + 6).cover?(one.date) }
          &.reasons
          &.first
          &.text

      private_class_method :at, :left_out_because
    end
  end
end
