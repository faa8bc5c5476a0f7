# frozen_string_literal: true

module Windlass
  module Timeline
    # How deep the breaths of a pattern are. A pattern says how long they take, not how big they are: people breathe
    # slow breaths bigger, each as much as they need. Stacked inhales are one breath in steps, and so are the stages of
    # one exhale.
    module Depths
      # No breath is smaller, nor bigger, shares of the inspiratory capacity.
      LIMITS = (0.01..0.95)

      # @param compiled [Compiled]
      # @param body [Physiology::Body]
      # @yieldparam segment [Segment] a breath in
      # @yieldreturn [Numeric, nil] how many times the breath that keeps PCO2 where it is at rest; more than once only
      #   up to the level that it is written to; nil: it goes to that level
      # @return [Compiled]
      def self.fitted(compiled, body)
        segments = compiled.segments
        depth = nil
        sized =
          segments.each_with_index.map do |segment, index|
            next staged(segment, depth) unless segment.kind == :inhale
            next segment unless (times = yield(segment))

            depth = depth(body, segment, times, cycle_s(segments, index))
            segment.with(depth: (depth * stacked(segments, index)).round(3))
          end
        (sized == segments) ? compiled : compiled.with_segments(sized)
      end

      def self.depth(body, segment, times, cycle_s)
        share = (times * body.needed_breath_l(cycle_s) / body.inspiratory_capacity_l).clamp(LIMITS)
        (times > 1) ? [share, Physiology::Levels::ABOVE_PASSIVE.fetch(segment.to)].min : share
      end

      # What is left of the breath at the end of a stage.
      def self.staged(segment, depth) =
        (segment.left && depth) ? segment.with(depth: (depth * segment.left.to_f).round(3)) : segment

      # @return [Rational] of the whole breath, at the end of this one of several inhales in a row
      def self.stacked(segments, index)
        first, last = run(segments, index)
        Rational(index - first + 1, last - first + 1)
      end

      # From one breath in to the next.
      def self.cycle_s(segments, index)
        at, last = run(segments, index)
        cycle = segments[at..last].sum(&:seconds)
        at = last
        while (segment = segments[at += 1]) && segment.kind != :inhale && segment.kind != :breathe
          cycle += segment.seconds
        end
        cycle.to_f
      end

      # First and last of the inhales in a row.
      def self.run(segments, index)
        first = last = index
        first -= 1 while first.positive? && segments[first - 1].kind == :inhale
        last += 1 while segments[last + 1]&.kind == :inhale
        [first, last]
      end
      private_class_method :depth, :staged, :stacked, :cycle_s, :run
    end
  end
end
