# frozen_string_literal: true

module Windlass
  module Presenters
    # A sounded exhale of a session, as it stands in the fields of its sheet: in beats where they are counted, else in
    # seconds.
    module SessionSound
      Sound =
        Value.define(:number, :where, :planned, :reached, :field, :unit, :ribs, :stream, :heard) do
          def label = "Reached in exhale #{number}, #{unit}"
        end

      # Field, unit, as it is typed, as it is told.
      IN_SECONDS = [
        "held_s",
        "as 1:35 or in seconds",
        ->(ms) { Forms::RatingForm.seconds(ms) },
        ->(ms) { Words.seconds(ms / 1000.0) }
      ].freeze

      # What a microphone heard of an exhale stands in the fields until something else is said, and is kept with them.
      Heard = Value.define(:ms, :words) { def stream = (words == "flickering") ? "flickering" : "even" }
      private_constant :Heard

      # @param session [Records::Session]
      # @param round [Records::Round] a sounded exhale
      # @param typed [Hash{String => String}] what was typed of it, where there are errors
      # @param beat_ms [Numeric, nil] where it is counted in beats
      # @param where [String, nil] which block
      # @return [Sound]
      def self.of(session, round, typed, beat_ms, where)
        planned_ms = round.target_ms
        field, unit, words, said = beat_ms ? in_beats(beat_ms) : IN_SECONDS
        heard = heard_of(session, round.number)
        Sound.new(
          number: round.number,
          where: where,
          planned: said[planned_ms],
          reached: typed[field] || (reached_ms(round, heard) && words[reached_ms(round, heard)]),
          field: field,
          unit: unit,
          ribs: typed["ribs"] || round.ribs,
          stream: typed["stream"] || round.stream || heard&.stream,
          heard: heard && "#{said[heard.ms]}, #{heard.words}"
        )
      end

      def self.in_beats(beat_ms) =
        [
          "beats",
          "beats",
          ->(ms) { Forms::RatingForm.beats(ms, beat_ms) },
          ->(ms) { "#{Words.number(ms / beat_ms)} beats" }
        ]

      def self.heard_of(session, number)
        event = session.journal_events.reverse.find { |one| one.kind == "hiss" && one.round == number } or return
        ms, words = event.value.split(".")
        Heard.new(ms: Integer(ms, 10), words: words)
      end

      # Until somebody said how the exhale was.
      def self.reached_ms(round, heard) = round.stream.nil? ? heard&.ms || round.held_ms : round.held_ms
      private_class_method :in_beats, :heard_of, :reached_ms
    end
  end
end
