# frozen_string_literal: true

module Windlass
  module Presenters
    # The group's own times of a week in which several train together.
    class GroupSlots
      # A slot on a day with those who train in it.
      Slot =
        Value.define(:slot_id, :date, :at, :minutes, :place, :names, :fits) do
          # @return [String] `Thu 18:30`
          def words = "#{date.strftime("%a")} #{at}"

          def path(group) = "/groups/#{group.id}/slots/#{slot_id}/fit?date=#{date}"
        end

      # @param group [Records::Group]
      # @param dates [Array<Date>]
      # @param planned [Hash{Integer => Array<Records::PlannedSession>}] by athlete
      def initialize(group, dates, planned)
        @group = group
        @dates = dates
        @planned = planned
      end

      # @return [Array<Slot>] the group's own slots of the week in which more than one trains
      def together
        @dates.flat_map do |date|
          @group
            .slots
            .select { |slot| slot.day == date.cwday }
            .filter_map do |slot|
              names =
                @group
                  .athletes
                  .select do |athlete|
                    @planned.fetch(athlete.id, []).any? { |one| one.local_date == date && one.at_min == slot.at_min }
                  end
                  .map(&:name)
              if names.size > 1
                Slot.new(
                  slot_id: slot.id,
                  date: date,
                  at: slot.to_core.at,
                  minutes: slot.minutes,
                  place: place(slot),
                  names: names,
                  fits: nil
                )
              end
            end
        end
      end

      private

      def place(slot) = Protocols::PLACES[slot.place.to_s.to_sym]
    end
  end
end
