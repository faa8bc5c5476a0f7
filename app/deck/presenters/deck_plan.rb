# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # What the deck's script gets of a session: its parts, what is called and heard, where its drawing begins.
    class DeckPlan
      extend Forwardable

      # So long before the oxygen floor of a forecast an open hold is warned.
      WARN_MS = 10_000
      WARNING = "Let go soon"

      # @param deck [Deck]
      # @param keys [RunKeys, nil] nil: nobody marks anything on it
      def initialize(deck, keys)
        @deck = deck
        @keys = keys
      end

      # @return [Hash]
      def to_h = {**session_of, **states, **timed, **heard_of}.compact

      private

      def_delegators :@deck, :session, :timeline

      def session_of
        {
          uuid: session.uuid,
          key: @keys&.key(session),
          laid: (session.local_date.iso8601 if @deck.laid?),
          athlete: session.athlete_id,
          prescription: (session.prescription_id if @deck.laid?),
          name: @deck.name
        }
      end

      def states
        {
          begun: session.state != "planned",
          over: session.over?,
          unasked: @deck.unasked?,
          paced: @deck.paced?,
          asks_at_end: asks_at_end?
        }
      end

      def timed
        {
          segments: DeckParts.of(session, timeline, asked: asked_breaths, calls: calls, heard: heard),
          total_ms: timeline.total_ms,
          own_pace: timeline.own_pace?,
          paces: timeline.paces.map { |pace| [pace.first, pace.last, pace.ms] },
          holds: timeline.holds.size,
          line: {left: BreathLine::LEFT, right: BreathLine::RIGHT}
        }
      end

      def heard_of = {calls: heard.calls, words: heard.clips | Sensing::SAID}

      # @return [Array] calls of a part; an open hold is warned before the floor, or before it ends by itself
      def calls_of(place)
        if place.segment.hold? && place.segment.open?
          latest = [
            session.forecast_of(place.number)&.fetch("floor_s")&.*(1000),
            place.segment.at_most_ms
          ].compact.min
        end
        [*place.segment.calls, ([(latest - WARN_MS).round, WARNING] if latest && latest > 2 * WARN_MS)].compact
      end

      def asks_at_end? = session.to_protocol.first_breath == :end

      # @return [Set<Integer>] numbers of the holds after which the first breath is asked for while it runs
      def asked_breaths = asks_at_end? ? Set.new : @deck.asked_holds

      def calls = @calls ||= timeline.placed.map { |place| calls_of(place) }

      def heard = @heard ||= Heard.of(session, timeline, calls)
    end
  end
end
