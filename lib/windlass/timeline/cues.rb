# frozen_string_literal: true

module Windlass
  module Timeline
    # Every tone of a session that runs by the clock from its start, as the deck lays them out (`cues.js`; a spec holds the two against
    # each other): counted in, one at the end of every part that says what comes next, three ticks before whatever is long enough to wait
    # for and into a hold, a tick a second in a short hold, and one on every beat and counted breath.
    module Cues
      # kind: what it sounds like. hz: of a reference note.
      Cue = Value.define(:at_ms, :kind, :hz)

      COUNT_FROM_MS = 8000
      COUNT_MS = [3000, 2000, 1000].freeze
      # A hold as long as this is counted into from a part as long as this.
      HOLD_FROM_MS = 4000

      # @param compiled [Compiled]
      # @param calls [Array<Array(Integer, String)>] what is called in the whole of it
      # @return [Array<Cue>] in order; the first part begins at 0
      def self.of(compiled, calls: [])
        return [] if compiled.segments.empty?

        all = counted_in(compiled.segments.first) + calls.map { |at_ms, _| cue(at_ms, :call) }
        compiled.placed.each_cons(2) { |place, following| all.concat(part(place, following.segment)) }
        all.concat(part(compiled.placed.last, nil)).sort_by.with_index { |one, index| [one.at_ms, index] }
      end

      def self.part(place, following)
        segment = place.segment
        last = place.start_ms + segment.ms
        return (following&.silent ? [] : [cue(last, following&.kind || :end)]) if segment.silent

        before = segment.beats ? [] : counted_ms(segment, following)
        [*within(segment, place.start_ms), *before.map { |ms| cue(last - ms, :tick) }, cue(last, following&.kind || :end)]
      end

      def self.counted_in(segment) = [*COUNT_MS.map { |before| cue(-before, :tick) }, cue(0, segment.kind)]

      # How long before the end of a part it ticks.
      def self.counted_ms(segment, following)
        return (1...(segment.ms / 1000.0).ceil).map { |second| second * 1000 } if segment.hold? && segment.ms < COUNT_FROM_MS

        into_hold = following&.hold? && following.ms >= HOLD_FROM_MS && segment.ms >= HOLD_FROM_MS
        (segment.ms >= COUNT_FROM_MS || into_hold) ? COUNT_MS : []
      end

      # What sounds while a part runs.
      def self.within(segment, start_ms)
        counted = segment.breaths || segment.repetitions || 0
        [*(segment.beats ? each(segment.beats.ceil, segment, start_ms, segment.beats, :beat) : []),
          *((counted > 1) ? each(counted, segment, start_ms, counted, :tick).drop(1) : []),
          *(segment.tone_hz ? [cue(start_ms + 1, :note, segment.tone_hz)] : []),
          *segment.calls.to_a.map { |after, _| cue(start_ms + after, :call) }]
      end

      def self.each(times, segment, start_ms, count, kind) = Array.new(times) { |number| cue(start_ms + number * segment.ms / count.to_f, kind) }

      def self.cue(at_ms, kind, hz = nil) = Cue.new(at_ms: at_ms, kind: kind, hz: hz)
      private_class_method :part, :counted_in, :counted_ms, :within, :each, :cue
    end
  end
end
