# frozen_string_literal: true

module Windlass
  module Presenters
    # What was held and sounded in a session, part by part, as it stands in the fields of its sheet.
    class SessionRounds
      Round =
        Value.define(:number, :where, :target, :held, :urge, :forecast, :low, :first_breath, :asked, unmarked: false)
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

      # @return [Array<SessionSound::Sound>] in beats where they are counted, else in seconds
      def sounds
        beat_ms = session.beat_ms
        (session.rounds - held_rounds).map do |round|
          SessionSound.of(session, round, typed_round(round.number), beat_ms[round.number], where(round.number))
        end
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
