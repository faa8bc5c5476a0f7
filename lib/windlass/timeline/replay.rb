# frozen_string_literal: true

module Windlass
  module Timeline
    # Plays events back into what was done: the same events in any order, or twice, give the same rounds.
    module Replay
      # One hold as it was done; moments are milliseconds from its start.
      Done = Value.define(:number, :target_ms, :held_ms, :skipped, :first_urge_ms, :contraction_ms, :first_breath, :sao2_low)

      # @param compiled [Compiled] the plan
      # @param events [Enumerable<Event>]
      # @return [Array<Done>] the holds that were reached
      def self.rounds(compiled, events)
        by_round = events.sort_by(&:at_ms).group_by(&:round)
        readings = by_round.fetch(nil, []).select { |event| event.kind == :oximeter }
        reached = by_round.keys.compact.max || 0
        planned = compiled.holds.take_while { |place| place.number <= reached }
        (planned + beyond(compiled, reached)).map { |place| done(place, by_round.fetch(place.number, []), readings) }
      end

      # At one's own pace there may be more holds than were expected: the cycle goes on until its time.
      def self.beyond(compiled, reached)
        return [] unless compiled.own_pace?

        last = compiled.holds.last
        ((last.number + 1)..[reached, MOST_AT_OWN_PACE].min).map { |number| last.with(number: number) }
      end
      MOST_AT_OWN_PACE = 2000

      def self.done(place, events, readings)
        start = at(events, :hold_start)
        finish = at(events, :hold_end)
        Done.new(number: place.number, target_ms: place.segment.open? ? nil : place.segment.ms,
          held_ms: start && finish && finish - start, skipped: start.nil?,
          first_urge_ms: since(start, at(events, :first_urge)), contraction_ms: since(start, at(events, :contraction)),
          first_breath: events.reverse.find { |event| event.kind == :first_breath }&.value,
          sao2_low: start && finish && low(readings, start, finish))
      end

      # The lowest reading of a hold. A finger is late: what it shows then belongs to what the lungs did before.
      # @return [Float, nil] 0..1
      def self.low(readings, start, finish)
        late = Physiology::Oximeter::DELAY_S * 1000
        until_ms = finish + late + Physiology::Alignment::AFTER_HOLD_S * 1000
        readings.select { |event| event.at_ms.between?(start + late, until_ms) }.map { |event| event.value / 100.0 }.min
      end

      def self.at(events, kind) = events.find { |event| event.kind == kind }&.at_ms

      def self.since(start, moment) = start && moment && [moment - start, 0].max
      private_class_method :beyond, :done, :low, :at, :since
    end
  end
end
