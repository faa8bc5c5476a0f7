# frozen_string_literal: true

module Windlass
  module Timeline
    # How many deep breaths lead into a hold, and how fast: a few slow ones before a dry drill are no over-breathing,
    # however much carbon dioxide they wash out. Stacked inhales are one breath. Common practice, no source.
    module DeepBreaths
      BEFORE_MS = 120_000
      MOST = 3
      # Breaths a minute.
      FAST = 20
      EASY = Physiology::Levels::ABOVE_PASSIVE.fetch(:easy)

      # @param compiled [Compiled]
      # @return [Boolean] before each of its holds three deep breaths at most, and none of them hurried
      def self.few?(compiled) = compiled.holds.all? { |hold| few_before?(compiled, hold) }

      def self.few_before?(compiled, hold)
        before =
          compiled.placed.select { |place| place.start_ms < hold.start_ms && place.end_ms > hold.start_ms - BEFORE_MS }
        breaths =
          before.chunk_while { |one, other| inhales?(one, other) }.select { |run| run.first.segment.kind == :inhale }
        breaths.count { |run| deep?(run.last.segment) } <= MOST && slow?(breaths, before)
      end

      def self.inhales?(one, other) = [one, other].all? { |place| place.segment.kind == :inhale }

      def self.deep?(inhale) = (inhale.depth || Physiology::Levels::ABOVE_PASSIVE.fetch(inhale.to, 0)) > EASY

      # From one breath in to the next, and in natural breathing.
      def self.slow?(breaths, before)
        breaths.each_cons(2).all? { |one, other| other.first.start_ms - one.first.start_ms > 60_000 / FAST } &&
          before.none? do |place|
            place.segment.kind == :breathe && place.segment.mets <= REST_METS && place.segment.rate >= FAST
          end
      end
      private_class_method :few_before?, :inhales?, :deep?, :slow?
    end
  end
end
