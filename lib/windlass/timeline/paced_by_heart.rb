# frozen_string_literal: true

module Windlass
  module Timeline
    # A timeline paced by heartbeat: what is counted in beats, and is no sound, takes as long as the beats that were
    # felt. A beat holds from the part on that its event names until the next one.
    module PacedByHeart
      # @param compiled [Compiled] the plan
      # @param events [Enumerable<Event>] of the journal; :beat with the place of the first part, from 1, and beats a
      #   minute
      # @return [Compiled] the plan itself where no beat was set
      def self.of(compiled, events)
        beats = events.select { |event| event.kind == :beat && event.round }.sort_by(&:at_ms)
        return compiled if beats.empty?

        compiled.with_segments(
          compiled.segments.each_with_index.map do |segment, index|
            timed(segment, beats.reverse.find { |beat| beat.round <= index + 1 })
          end
        )
      end

      def self.timed(segment, beat)
        (beat && segment.paced?) ? segment.with(ms: (segment.beats * 60_000r / beat.value).round) : segment
      end
      private_class_method :timed
    end
  end
end
