# frozen_string_literal: true

module Windlass
  module Timeline
    # Plays events back into what was done: the same events in any order, or twice, give the same rounds.
    module Replay
      # One hold as it was done; moments are milliseconds from its start.
      Done = Value.define(:number, :target_ms, :held_ms, :skipped, :first_urge_ms, :contraction_ms, :first_breath)

      # @param compiled [Compiled] the plan
      # @param events [Enumerable<Event>]
      # @return [Array<Done>] the holds that were reached
      def self.rounds(compiled, events)
        by_round = events.sort_by(&:at_ms).group_by(&:round)
        reached = by_round.keys.compact.max || 0
        compiled.holds.take_while { |place| place.number <= reached }.map do |place|
          done(place, by_round.fetch(place.number, []))
        end
      end

      def self.done(place, events)
        start = at(events, :hold_start)
        finish = at(events, :hold_end)
        Done.new(number: place.number, target_ms: place.segment.until ? nil : place.segment.ms,
          held_ms: start && finish && finish - start, skipped: start.nil?,
          first_urge_ms: since(start, at(events, :first_urge)), contraction_ms: since(start, at(events, :contraction)),
          first_breath: events.reverse.find { |event| event.kind == :first_breath }&.value)
      end

      def self.at(events, kind) = events.find { |event| event.kind == kind }&.at_ms

      def self.since(start, moment) = start && moment && [moment - start, 0].max
      private_class_method :done, :at, :since
    end
  end
end
