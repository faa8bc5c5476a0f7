# frozen_string_literal: true

module Windlass
  module Timeline
    # How deep the breaths of a pattern are. A pattern says how long they take, not how big they are: people breathe
    # slow breaths bigger, each as much as they need. Stacked inhales are one breath in steps, and so are the stages of
    # one exhale, and what goes on after a stop.
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
        return segments[index].left if segments[index].left

        first, last = run(segments, index)
        before, all = [index, last].map { |to| (first..to).count { |at| segments[at].kind == :inhale } }
        Rational(before, all)
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
        [-1, 1].map do |step|
          at = index
          while (beside = inhale_beside(segments, at, step))
            at = beside
          end
          at
        end
      end

      # @return [Integer, nil] of the same breath: right beside, or beyond a stop
      def self.inhale_beside(segments, index, step)
        at = index + step
        at += step if at.positive? && segments[at]&.midway
        at if !at.negative? && segments[at]&.kind == :inhale
      end
      private_class_method :depth, :staged, :stacked, :cycle_s, :run, :inhale_beside
    end
  end
end
