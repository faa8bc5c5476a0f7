# frozen_string_literal: true

module Windlass
  module Timeline
    # How deep the breaths of a pattern are. A pattern says how long they take, not how big they are: people breathe slow
    # breaths bigger, each as much as they need. Brought to the named levels so that the mean is right: what one breath
    # takes too little, the next ones take more.
    module Depths
      LEVELS = %i[easy big full].freeze

      # @param compiled [Compiled]
      # @param body [Physiology::Body]
      # @return [Compiled]
      def self.fitted(compiled, body)
        segments = compiled.segments
        owed_l = 0.0
        Compiled.new(segments.each_with_index.map do |segment, index|
          next segment unless segment.kind == :inhale

          wanted_l = body.needed_breath_l(cycle_s(segments, index)) + owed_l
          level = LEVELS.min_by { |one| (breath_l(body, one) - wanted_l).abs }
          owed_l = wanted_l - breath_l(body, level)
          segment.with(to: level)
        end)
      end

      # From one breath in to the next.
      def self.cycle_s(segments, index)
        [segments[index], *segments.drop(index + 1).take_while { |one| !%i[inhale breathe].include?(one.kind) }].sum(&:seconds).to_f
      end

      def self.breath_l(body, level) = body.level_l(level) - body.level_l(:passive)
      private_class_method :cycle_s, :breath_l
    end
  end
end
