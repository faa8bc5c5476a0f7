# frozen_string_literal: true

module Windlass
  module Actions
    # A coach moves a planned session. A day that a wall stands before can't be forced.
    module MovePlanned
      # @param date [Date]
      # @param at_min [Integer] of the slot
      # @param seen [Integer] its sequence when it was picked up: every move counts one on
      # @return [Records::PlannedSession]
      # @raise [Error] which wall stands there, and when it opens
      # @raise [ActiveRecord::StaleObjectError] where somebody else moved it meanwhile
      def self.call(planned, date:, at_min:, seen:, now:)
        programmes = Programmes.new([planned.athlete], now: now)
        trial = Queries::SlotTrial.new(planned, now, programmes)
        raise Error, "It is done, or its day is over." unless trial.ahead?
        # Before any wall: what was picked up is no longer where it was.
        raise ActiveRecord::StaleObjectError.new(planned, "move") unless planned.sequence == seen

        slot = trial.slots(date).find { |one| one.at_min == at_min } or
          raise Error, "There is no slot at that time on #{Words.date(date)}."
        raise Error, "#{Words.date(date)} is over." if date < now.to_date

        choice = trial.choice(date, slot)
        return planned if choice.here
        raise Error, choice.refusal if choice.refusal

        put(planned, date, slot, seen, from: [planned.local_date, planned.at_min])
        PlanProgramme.weigh(planned.programme.reload, programmes)
        planned
      end

      # Back to where it lay before.
      def self.back(planned, seen:, now:)
        raise Error, "It was not moved." unless planned.moved?

        call(planned, date: planned.moved_from_on, at_min: planned.moved_from_min, seen: seen, now: now)
        planned.update!(fixed: false, moved_from_on: nil, moved_from_min: nil)
      end

      def self.put(planned, date, slot, seen, from:)
        planned.transaction do
          planned.lock!
          raise ActiveRecord::StaleObjectError.new(planned, "move") unless planned.sequence == seen

          planned.update!(
            local_date: date,
            at_min: slot.at_min,
            begins_min: slot.at_min,
            slot_minutes: slot.minutes,
            place: slot.place.to_s,
            fixed: true,
            moved_from_on: from[0],
            moved_from_min: from[1],
            sequence: planned.sequence + 1,
            reasons: [{rule: "moved", text: "You put it there."}]
          )
          [[date, slot.at_min], from].each { |day, at_min| in_turn(planned.programme, day, at_min) }
        end
        planned.reload
      end

      # Those that share a slot, one after the other.
      def self.in_turn(programme, date, at_min)
        beside = programme.planned_sessions.reload.select { |one| one.local_date == date && one.at_min == at_min }
        begins = at_min
        beside
          .sort_by { |one| one.place_in_slot }
          .each do |one|
            # Whoever has it in a calendar learns of it.
            one.update!(begins_min: begins, sequence: one.sequence + 1) if one.begins_min != begins
            begins += (one.seconds / 60.0).ceil unless one.apart
          end
      end
      private_class_method :put, :in_turn
    end
  end
end
