# frozen_string_literal: true

module Windlass
  module Timeline
    # The timeline as it was really run: holds as long as they were held, and what lies between two of them as long as
    # it took. Parts that end by the clock keep their length where they can; the open ones between them take up the
    # rest.
    module AsRun
      # A part is never shorter.
      SHORTEST_MS = 1

      # @param compiled [Compiled] the plan
      # @param events [Enumerable<Event>] of the journal, in any order
      # @return [Compiled] up to the last hold that was held; the plan itself where nothing was
      def self.of(compiled, events)
        starts, ends =
          %i[hold_start hold_end].map do |kind|
            events.select { |event| event.kind == kind }.to_h { |event| [event.round, event.at_ms] }
          end
        held =
          compiled.holds.take_while do |place|
            starts.key?(place.number) && ends.key?(place.number) && ends[place.number] > starts[place.number]
          end
        return compiled if held.empty?

        sooner = events.select { |event| event.kind == :hold_now }.to_h { |event| [event.round, event.value] }
        compiled.with_segments(parts(compiled, held, starts, ends, sooner))
      end

      # @param sooner [Hash{Integer => Integer}] breaths that were done before a hold that was begun sooner than planned
      def self.parts(compiled, held, starts, ends, sooner)
        from_ms = from_index = 0
        held.flat_map do |place|
          index = compiled.placed.index(place)
          between =
            fitted(done(compiled.segments[from_index...index], sooner[place.number]), starts[place.number] - from_ms)
          from_index = index + 1
          from_ms = ends[place.number]
          [*between, place.segment.with(ms: from_ms - starts[place.number])]
        end
      end

      # The breath out after the last one is the last one out.
      def self.done(segments, breaths)
        last_out = segments.reverse.find { |one| one.kind == :exhale && one.breath }
        breaths ? segments.reject { |one| one.breath && one.breath > breaths && one != last_out } : segments
      end

      # @param segments [Array<Segment>] between two holds
      # @param total_ms [Integer] that they took
      def self.fitted(segments, total_ms)
        return [] if segments.empty? || total_ms < segments.size * SHORTEST_MS

        open, timed = segments.partition(&:open?)
        left = total_ms - timed.sum(&:ms)
        return stretched(segments, total_ms) if open.empty? || left < open.size * SHORTEST_MS

        lengths = Allocation.even(left, open.size)
        segments.map { |segment| segment.open? ? segment.with(ms: lengths.shift) : segment }
      end

      # All in proportion; what rounding leaves over goes to the longest.
      def self.stretched(segments, total_ms)
        whole = segments.sum(&:ms)
        lengths = segments.map { |segment| [segment.ms * total_ms / whole, SHORTEST_MS].max }
        lengths[lengths.index(lengths.max)] += total_ms - lengths.sum
        segments.zip(lengths).map { |segment, ms| segment.with(ms: ms) }
      end
      private_class_method :parts, :done, :fitted, :stretched
    end
  end
end
