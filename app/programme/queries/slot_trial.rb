# frozen_string_literal: true

module Windlass
  module Queries
    # A session held against the walls, with all the others where they lie.
    class SlotTrial
      # Where it might lie. refusal: why not.
      Choice = Value.define(:date, :slot, :refusal, :here)

      # Days around it that are offered.
      AROUND = 7

      # @param planned [Records::PlannedSession]
      # @return [Array<Choice>] every slot around it, in order of time
      def self.choices(planned, now:, programmes: Programmes.new([planned.athlete], now: now))
        trial = new(planned, now, programmes)
        first = [planned.local_date - AROUND, now.to_date, planned.programme.starts_on].max
        return [] unless trial.ahead?

        (first..[planned.local_date + AROUND, planned.programme.ends_on].min).flat_map do |date|
          trial.slots(date).map { |slot| trial.choice(date, slot) }
        end
      end

      def initialize(planned, now, programmes)
        @planned = planned
        @programme = planned.programme
        @now = now
        @planner = programmes.planner(@programme)
        @slots = @programme.slots
        @here, @others = programmes.ahead(@programme).partition { |one| one.id == planned.id }
      end

      # @return [Boolean] it is neither done nor over
      def ahead? = @here.any?

      # @return [Array<Programme::Slot>] that have not begun yet
      def slots(date) =
        @slots.select { |slot| slot.day == date.cwday && @planner.calendar.moment(date, slot.at_min) >= @now }

      # @return [Choice]
      def choice(date, slot)
        here = date == @planned.local_date && slot.at_min == @planned.at_min
        refusal =
          if here
            nil
          else
            @planner.refusal(
              @planned.to_wish.with(date: date, at_min: slot.at_min),
              @others.map(&:to_wish),
              from: @planned.to_wish
            )&.text
          end
        Choice.new(date: date, slot: slot, refusal: refusal, here: here)
      end
    end
  end
end
