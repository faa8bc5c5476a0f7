# frozen_string_literal: true

module Windlass
  module Timeline
    # How deep the breaths of a pattern are. A pattern says how long they take, not how big they are: people breathe slow
    # breaths bigger, each as much as they need.
    module Depths
      # No breath is smaller, nor bigger, shares of the inspiratory capacity.
      LIMITS = (0.01..0.95)

      # @param compiled [Compiled]
      # @param body [Physiology::Body]
      # @yieldparam segment [Segment] a breath in
      # @yieldreturn [Numeric, nil] how many times the breath that keeps PCO2 where it is at rest; more than once only up to the
      #   level that it is written to; nil: it goes to that level
      # @return [Compiled]
      def self.fitted(compiled, body)
        segments = compiled.segments
        sized = segments.each_with_index.map do |segment, index|
          times = (segment.kind == :inhale) ? yield(segment) : nil
          times ? segment.with(depth: depth(body, segment, times, cycle_s(segments, index))) : segment
        end
        (sized == segments) ? compiled : Compiled.new(sized)
      end

      def self.depth(body, segment, times, cycle_s)
        share = (times * body.needed_breath_l(cycle_s) / body.inspiratory_capacity_l).clamp(LIMITS)
        share = [share, Physiology::Levels::ABOVE_PASSIVE.fetch(segment.to)].min if times > 1
        share.round(3)
      end

      # From one breath in to the next.
      def self.cycle_s(segments, index)
        cycle = segments[index].seconds
        while (segment = segments[index += 1]) && segment.kind != :inhale && segment.kind != :breathe
          cycle += segment.seconds
        end
        cycle.to_f
      end
      private_class_method :depth, :cycle_s
    end
  end
end
