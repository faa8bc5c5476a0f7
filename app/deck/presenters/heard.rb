# frozen_string_literal: true

module Windlass
  module Presenters
    # What is heard of a session, as the deck's script lays it out: by part, and the sounds that it needs.
    class Heard
      # The same plan sounds the same, whoever runs it.
      KEPT = BoundedCache.new(200)

      # @param session [Records::Session]
      # @param timeline [Timeline::Compiled] its plan
      # @param calls [Array<Array>] what is called in each part, as `Segment#calls`
      # @return [Heard]
      def self.of(session, timeline, calls)
        protocol = session.to_protocol
        dose = session.to_dose
        way = session.prescription.counting.presence&.to_sym
        own_ms = Records::OwnWords.ms(timeline.segments)
        KEPT.fetch([session.timeline.digest, session.protocol, dose, calls, way, own_ms]) do
          new(protocol, dose, with_calls(timeline, calls), way: way, own_ms: own_ms)
        end
      end

      def self.with_calls(timeline, calls) =
        timeline.with_segments(
          timeline.segments.zip(calls).map { |segment, own| segment.with(calls: (own if own.any?)) }
        )
      private_class_method :with_calls

      # @return [Hash{Integer => Array<Array>}] plain JSON, by part
      attr_reader :by_part

      # @return [Hash{Integer => Array<String>}] said in a part where a hand ended the one before it
      attr_reader :ahead

      # @return [Array<Array>] what is called in the whole of it: moment, words, clips, and the moment at which they
      #   have room
      attr_reader :calls

      # @return [Array<String>] names of sounds
      attr_reader :clips

      # @return [Array<String>] what can not be told by ear
      attr_reader :silences

      # @param way [Symbol, nil] in which it is counted aloud; nil: as its family does
      # @param own_ms [Hash{String => Integer}] own words that are rendered
      def initialize(protocol, dose, timeline, way: nil, own_ms: {})
        score =
          Spoken.of(
            timeline,
            counts: protocol.counting(dose, way: way),
            calls: protocol.calls(dose),
            blocks: protocol.named_blocks(dose),
            own_ms: own_ms
          )
        laid = Spoken::Laid.new(timeline, score)
        @by_part = laid.by_part.transform_values { |sounds| sounds.map(&:to_a) }.freeze
        @ahead, @clips = laid.ahead, laid.clips
        @calls =
          protocol
            .calls(dose)
            .map do |at_ms, words|
              [
                at_ms,
                words,
                *laid.calls.find { |said_ms, _| said_ms.between?(at_ms, at_ms + Spoken::Score::LATE_MS) }&.reverse
              ]
            end
            .freeze
        @silences = score.impossible.map(&:because).uniq.freeze
        freeze
      end
    end
  end
end
