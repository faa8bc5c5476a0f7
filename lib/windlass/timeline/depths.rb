# frozen_string_literal: true

module Windlass
  module Timeline
    # How deep the breaths of a pattern are. A pattern says how long they take, not how big they are: people breathe slow
    # breaths bigger, each as much as they need.
    module Depths
      # No breath is smaller, nor bigger, shares of the inspiratory capacity.
      LIMITS = (0.05..0.95)

      # @param compiled [Compiled]
      # @param body [Physiology::Body]
      # @return [Compiled] with breaths in that keep PCO2 where it is at rest
      def self.fitted(compiled, body)
        segments = compiled.segments
        Compiled.new(segments.each_with_index.map do |segment, index|
          (segment.kind == :inhale) ? segment.with(depth: depth(body, cycle_s(segments, index))) : segment
        end)
      end

      def self.depth(body, cycle_s)
        (body.needed_breath_l(cycle_s) / body.inspiratory_capacity_l).clamp(LIMITS).round(3)
      end

      # From one breath in to the next.
      def self.cycle_s(segments, index)
        [segments[index], *segments.drop(index + 1).take_while { |one| !%i[inhale breathe].include?(one.kind) }].sum(&:seconds).to_f
      end
      private_class_method :depth, :cycle_s
    end
  end
end
