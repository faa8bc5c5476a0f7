# frozen_string_literal: true

module Windlass
  module Timeline
    # Plays events back into what was done: the same events in any order, or twice, give the same rounds.
    module Replay
      # One part as it was done; moments are milliseconds from its start. hold: its number on the timeline; nil of an
      # exhale.
      Done =
        Value.define(
          :number, :hold, :target_ms, :held_ms, :skipped, :first_urge_ms, :contraction_ms, :first_breath, :sao2_low,
          :unmarked
        )

      # @param compiled [Compiled] the plan
      # @param events [Enumerable<Event>] of one moment, the later one last
      # @param parts [Array<Compiled::Placed, Compiled::Sounded>] what is judged of it, in order
      # @return [Array<Done>] the parts that were reached, numbered from 1
      def self.rounds(compiled, events, parts: compiled.holds)
        in_order = events.sort_by.with_index { |event, place| [event.at_ms, place] }
        by_part = in_order.select(&:round).group_by { |event| [SOUND_KINDS.include?(event.kind), event.round] }
        readings = Readings.new(in_order)
        all = parts + beyond(compiled, by_part.keys.reject(&:first).map(&:last).max || 0)
        reached = all.rindex { |part| by_part.key?(key(part)) } or return []
        all
          .first(reached + 1)
          .map
          .with_index(1) { |part, number| done(part, number, by_part.fetch(key(part), []), readings) }
      end

      def self.key(part) = [part.is_a?(Compiled::Sounded), part.number]

      # At one's own pace there may be more holds than were expected: the cycle goes on until its time.
      def self.beyond(compiled, reached)
        return [] unless compiled.own_pace?

        last = compiled.holds.last
        ((last.number + 1)..[reached, MOST_AT_OWN_PACE].min).map { |number| last.with(number: number) }
      end
      MOST_AT_OWN_PACE = 2000

      def self.done(place, number, events, readings)
        start = at(events, :hold_start, :sound_start)
        finish = at(events, :hold_end, :sound_end)
        # What nobody marked was as long as planned, for all that anybody knows.
        unmarked = events.reverse.find { |event| event.kind == :hold_end }&.value == UNMARKED
        held_ms = unmarked ? place.ms : start && finish && length(start, finish)
        Done.new(
          number: number,
          hold: (place.number if place.is_a?(Compiled::Placed)),
          target_ms: target_ms(place),
          held_ms: held_ms,
          unmarked: unmarked,
          skipped: start.nil?,
          first_urge_ms: since(start, at(events, :first_urge)),
          contraction_ms: since(start, at(events, :contraction)),
          first_breath: events.reverse.find { |event| event.kind == :first_breath }&.value,
          sao2_low: start && finish && readings.low(start, finish)
        )
      end

      def self.at(events, *kinds) = events.find { |event| kinds.include?(event.kind) }&.at_ms

      # A clock that was set back makes no hold of less than nothing, and one that jumped none of days.
      def self.length(start, finish) = (finish - start).clamp(0, LONGEST_MS)
      LONGEST_MS = 20 * 60_000

      def self.target_ms(place) = place.open? ? nil : place.ms

      def self.since(start, moment) = start && moment && [moment - start, 0].max
      private_class_method :key, :beyond, :done, :at, :length, :target_ms, :since
    end
  end
end
