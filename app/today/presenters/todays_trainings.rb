# frozen_string_literal: true

module Windlass
  module Presenters
    # Who trains today, in parts: by slot, without a programme, waiting, planned for other days.
    class TodaysTrainings
      # @param trainings [Array<Desk::Trainings::Row>]
      def initialize(trainings)
        @trainings = trainings
      end

      # What the programmes plan for today, slot by slot; then those without a programme; then what is not planned
      # today.
      # @return [Array<Array(String, Array<Desk::Trainings::Row>)>] heading and rows
      def parts
        @parts ||=
          begin
            free, planned = @trainings.partition { |row| row.slot.nil? }
            free, waiting = free.partition { |row| row.together? || row.running }
            other, slots = planned.partition { |row| row.slot.equal?(Desk::Opening::NOT_TODAY) }
            by_slot =
              slots
                .group_by { |row| row.slot.in_words }
                .sort
                .map { |words, rows| [words, rows.sort_by { |row| [row.slot.begins, row.name] }] }
            [
              *by_slot,
              [by_slot.any? ? "Without a programme" : nil, free],
              [WAITING, waiting],
              [UNPLANNED, other]
            ].reject { |_, rows| rows.empty? }
          end
      end

      WAITING = "Wait, or not today"
      UNPLANNED = "Not planned today"

      # @return [Boolean] it is shown folded
      def folded?(heading) = [WAITING, UNPLANNED].include?(heading)

      # What a slot's button starts. words: it names that; look: shown by name first, because somebody has several, or
      # not all have the same.
      FromSlot = Value.define(:words, :rows, :look)

      # @return [FromSlot, nil] nil where there are not two of them
      def from_slot(rows)
        able = rows.select(&:together?)
        several = able.group_by(&:athlete_id)
        return if several.size < Windlass::Squad::LANES.min

        one = able.map(&:protocol).uniq
        alike = one.one? && several.size == able.size && Windlass::Squad::LANES.cover?(able.size)
        FromSlot.new(
          words:
            alike ? "Start #{able.size} together: #{one.first.downcase}" : "Start together: choose of #{able.size}",
          rows: able,
          look: !alike
        )
      end

      # @return [Boolean] more than one may be run
      def together? = @trainings.count(&:together?) >= Windlass::Squad::LANES.min
    end
  end
end
