# frozen_string_literal: true

module Windlass
  module Presenters
    # What was held and sounded in a session, part by part, as it stands in the fields of its sheet.
    class SessionRounds
      Round =
        Value.define(:number, :where, :target, :held, :urge, :forecast, :low, :first_breath, :asked, unmarked: false)
      Sound = Value.define(:number, :where, :planned, :reached, :field, :unit, :ribs, :stream, :heard)

      attr_reader :session

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] what was typed, where it has errors
      def initialize(session, rating: nil)
        @session = session
        @rating = rating
      end

      # @return [Array<Round>]
      def rounds
        held_rounds.map do |round|
          typed = typed_round(round.number)
          Round.new(
            number: round.number,
            where: where(round.number),
            target: round.target_ms ? Words.seconds(round.target_ms / 1000.0) : "open",
            held: typed["held_s"] || (Forms::RatingForm.seconds(round.held_ms) if round.held_ms && !round.unmarked),
            unmarked: round.unmarked,
            forecast: forecast_urge(round.hold),
            low: typed["low"] || (round.sao2_low && Words.number((round.sao2_low * 100).round(1))),
            urge: urge(round),
            first_breath: typed["first_breath"] || round.first_breath,
            asked: asked.include?(round.number)
          )
        end
      end

      # @return [Array<Sound>] in beats where they are counted, else in seconds
      def sounds
        beat_ms = session.beat_ms
        (session.rounds - held_rounds).map { |round| sound(round, typed_round(round.number), beat_ms[round.number]) }
      end

      # @return [Set<Integer>] holds after which the first breath says something
      def asked = @asked ||= session.asked_breaths

      # @return [Array<Timeline::Compiled::Placed, Timeline::Compiled::Sounded>]
      def parts = @parts ||= session.parts

      # @return [Array<Records::Round>] of holds
      def held_rounds = @held_rounds ||= session.rounds.select(&:hold)

      private

      # @return [String, nil] the block, how the lungs are at one's own pace, or after how few breaths it was begun
      def where(number)
        hold = parts[number - 1]&.number
        return "after #{Words.count(sooner[hold], "breath")}:" if sooner[hold]

        block = parts[number - 1]&.block
        return "#{session.to_protocol.runs[block - 1].in_words}:" if block

        if session.to_protocol.baseline?
          number.odd? ? "full" : "empty"
        end
      end

      def sound(round, typed, beat_ms)
        planned_ms = round.target_ms
        field, unit, words, said = beat_ms ? in_beats(beat_ms) : IN_SECONDS
        heard = heard_of(round.number)
        Sound.new(
          number: round.number,
          where: where(round.number),
          planned: said[planned_ms],
          reached: typed[field] || (reached_ms(round, heard) && words[reached_ms(round, heard)]),
          field: field,
          unit: unit,
          ribs: typed["ribs"] || round.ribs,
          stream: typed["stream"] || round.stream || heard&.stream,
          heard: heard && "#{said[heard.ms]}, #{heard.words}"
        )
      end

      # Field, unit, as it is typed, as it is told.
      IN_SECONDS = [
        "held_s",
        "as 1:35 or in seconds",
        ->(ms) { Forms::RatingForm.seconds(ms) },
        ->(ms) { Words.seconds(ms / 1000.0) }
      ].freeze

      def in_beats(beat_ms) =
        [
          "beats",
          "beats",
          ->(ms) { Forms::RatingForm.beats(ms, beat_ms) },
          ->(ms) { "#{Words.number(ms / beat_ms)} beats" }
        ]

      # What a microphone heard of an exhale stands in the fields until something else is said, and is kept with them.
      Heard = Value.define(:ms, :words) { def stream = (words == "flickering") ? "flickering" : "even" }
      private_constant :Heard

      def heard_of(number)
        event = session.journal_events.reverse.find { |one| one.kind == "hiss" && one.round == number } or return
        ms, words = event.value.split(".")
        Heard.new(ms: Integer(ms, 10), words: words)
      end

      # Until somebody said how the exhale was.
      def reached_ms(round, heard) = round.stream.nil? ? heard&.ms || round.held_ms : round.held_ms

      # @return [Hash{Integer => Integer}] breaths that were done before a hold that was begun sooner than planned
      def sooner =
        @sooner ||=
          session
            .journal_events
            .select { |event| event.kind == "hold_now" }
            .to_h { |event| [event.round, Integer(event.value, 10)] }

      def urge(round)
        marks = [
          (Words.seconds(round.first_urge_ms / 1000.0) if round.first_urge_ms),
          ("contraction #{Words.seconds(round.contraction_ms / 1000.0)}" if round.contraction_ms)
        ].compact
        marks.empty? ? "–" : marks.join(", ")
      end

      # As it was forecast when the session was planned.
      def forecast_urge(hold) = ForecastWords.seconds(session.forecast_of(hold)&.fetch("urge_s"))

      def typed_round(number) = @rating ? @rating.typed_round(number) : {}
    end
  end
end
