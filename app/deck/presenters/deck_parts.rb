# frozen_string_literal: true

module Windlass
  module Presenters
    # The parts of a session, each as the deck's script needs it.
    class DeckParts
      # Too tight: the handbook, full-breath drill.
      RELIEF = "Too tight: let a little out, swallow."
      FULL_FROM = 0.9
      # The same plan that sounds the same has the same parts, whoever runs it.
      KEPT = BoundedCache.new(60)

      # @return [Array<Hash>] as {#to_a}: what is heard hangs on all that the parts hang on, but for what is asked
      def self.of(session, timeline, asked:, calls:, heard:)
        KEPT.fetch([heard, asked]) do
          new(session, timeline, asked: asked, calls: calls, heard: heard).to_a.each(&:freeze).freeze
        end
      end

      # @param session [Records::Session]
      # @param timeline [Timeline::Compiled]
      # @param asked [Set<Integer>] numbers of the holds after which the first breath is asked for while it runs
      # @param calls [Array<Array>] of each part
      # @param heard [Heard]
      def initialize(session, timeline, asked:, calls:, heard:)
        @session = session
        @timeline = timeline
        @asked = asked
        @calls = calls
        @heard = heard
      end

      # @return [Array<Hash>] one a part, in order
      def to_a
        exhales = exhales_by_start
        blocks = blocks_by_number
        @timeline.placed.each_with_index.map do |place, index|
          segment = place.segment
          {
            kind: segment.kind,
            start_ms: place.start_ms,
            ms: segment.ms,
            cue: segment.cue,
            hold: place.number,
            round: segment.round,
            phase: segment.phase,
            ends: segment.ends,
            breaths: segment.breaths,
            repetitions: segment.repetitions,
            beats: segment.beats,
            at_most_ms: segment.at_most_ms,
            asks: @asked.include?(place.number) || nil,
            exhale: exhales[place.start_ms],
            calls: @calls[index].presence,
            heard: @heard.by_part[index],
            ahead: @heard.ahead[index],
            relief: (RELIEF if full_holds.include?(place.start_ms)),
            own: segment.own,
            silent: segment.silent,
            breath: segment.breath,
            caps_s: segment.caps_s,
            limited: segment.limited? || nil,
            paced: segment.paced? || nil,
            rate: segment.rate,
            block: blocks[segment.block]
          }.compact
        end
      end

      private

      def full?(breath) = breath.kind == :inhale && (breath.to == :full || breath.depth.to_f >= FULL_FROM)

      # @return [Set<Integer>] starts of the holds with full lungs
      def full_holds
        @full_holds ||=
          @timeline
            .placed
            .chunk_while { |_, after| after.segment.hold? }
            .flat_map { |breath, *holds| full?(breath.segment) ? holds.map(&:start_ms) : [] }
            .to_set
      end

      # @return [Hash{Integer => String}] `Block 2 of 4: hiss ladder`
      def blocks_by_number
        protocol = @session.to_protocol
        return {} unless protocol.is_a?(Protocols::Blocks)

        protocol
          .runs
          .each
          .with_index(1)
          .to_h { |run, number| [number, "Block #{number} of #{protocol.runs.size}: #{run.name.downcase}"] }
      end

      # @return [Hash{Integer => Integer}] number of the sounded exhale that a part belongs to, by its start; where they
      #   are judged
      def exhales_by_start
        @session
          .parts
          .grep(Timeline::Compiled::Sounded)
          .each_with_object({}) do |sound, by_start|
            sound
              .segments
              .reduce(sound.start_ms) do |start_ms, segment|
                (by_start[start_ms] = sound.number) && start_ms + segment.ms
              end
          end
      end
    end
  end
end
