# frozen_string_literal: true

module Windlass
  module Presenters
    # What the deck gets: the compiled timeline and the places of its drawing.
    class Deck
      # So long before the oxygen floor of a forecast an open hold is warned.
      WARN_MS = 10_000
      WARNING = "Let go soon"

      attr_reader :session

      # @param sessions [Array<Records::Session>]
      # @return [Array<Deck>] what they need of their athletes is read once for all
      def self.together(sessions, keys: nil)
        athletes = sessions.map(&:athlete)
        values = Records::Measure.newest_values(athletes)
        days =
          Records::Day
            .where(athlete_id: athletes.map(&:id), local_date: sessions.map(&:local_date))
            .index_by { |day| [day.athlete_id, day.local_date] }
        sessions.map do |session|
          new(
            session,
            day: days[[session.athlete_id, session.local_date]], values: values.fetch(session.athlete_id), keys: keys
          )
        end
      end

      # @param session [Records::Session]
      # @param day [Records::Day, nil] what the athlete said that day
      # @param values [Measures::Values] what doses are computed from
      # @param keys [RunKeys, nil] nil: nobody marks anything on it
      def initialize(
        session,
        day: session.athlete.days.find_by(local_date: session.local_date),
        values: session.athlete.to_values,
        keys: nil
      )
        @session = session
        @keys = keys
        @day = day
        @values = values
      end

      def name = session.athlete.name

      def title = session.prescription.name

      # @return [Boolean] the questions of the day are asked on the deck: it was taken along before anybody could be
      #   asked
      def unasked? = session.state == "planned" && @day.nil?

      # @return [Boolean] it lies on a phone, and becomes a session each time that it is run
      def laid? = session.new_record?

      # @return [Array<String>] cautions, and what the coach wrote
      def cautions =
        [
          (
            if unasked?
              "Ask: #{Progression::TodaysQuestions.aloud} If anything is so, close this: quiet breathing only."
            end
          ),
          care,
          *session.to_protocol.cautions,
          *notes,
          emergency_card.missing
        ].compact

      def emergency_card = @emergency_card ||= EmergencyCard.new(session.athlete.account.place)

      def notes = session.to_protocol.notes(session.to_dose)

      # @return [Hash{Symbol => String}] what may be noted while it runs; then what stops all hold work
      def symptoms = Progression::Symptoms::WARNINGS.merge(Progression::Symptoms::OTHERS)

      # What takes an hour to be known is said on the sheet.
      def stops = Progression::Symptoms::STOPS.except(:lasting_breathlessness, :lasting_headache)

      # @return [Boolean] a hiss is judged: a microphone may time it
      def hissed? =
        session.parts.any? do |part|
          part.is_a?(Timeline::Compiled::Sounded) && part.segments.any? { |segment| segment.sound == :hiss }
        end

      # @return [Boolean] patterns are counted in beats: a pulse may lead
      def paced? = timeline.segments.any?(&:paced?)

      def line
        @line ||=
          BreathLine.new(timeline, session.to_body, title: "The session ahead", forecast: session.forecast_of_plan)
      end

      def sensing = @sensing ||= Sensing.new(session, laid: laid?)

      # @return [Hash{String => String}] what each key does
      def keys = DeckKeys.alone(paced: paced?)

      # @return [Boolean] breaths or repetitions are counted: by the clock, or by a tap
      def counted? = timeline.segments.any? { |segment| segment.breaths || segment.repetitions }

      # @return [Boolean] the breathing may be ended at any breath
      def holds_now? = timeline.segments.any?(&:breath)

      # @return [Boolean] the first breath after a hold says something here
      def breaths_asked? = timeline.own_pace? || asked_holds.any?

      # @return [Boolean] something is held for the hold's sake: an urge in it says something
      def urges_asked? = session.parts.any? { |part| part.is_a?(Timeline::Compiled::Placed) }

      # @return [Hash] for the deck's script
      def plan
        @plan ||= {
          uuid: session.uuid,
          key: @keys&.key(session),
          laid: (session.local_date.iso8601 if laid?),
          athlete: session.athlete_id,
          prescription: (session.prescription_id if laid?),
          name: name,
          begun: session.state != "planned",
          over: session.over?,
          unasked: unasked?,
          paced: paced?,
          segments: DeckParts.new(session, timeline, asked: asked_breaths, calls: calls, heard: heard).to_a,
          total_ms: timeline.total_ms,
          own_pace: timeline.own_pace?,
          paces: timeline.paces.map { |pace| [pace.first, pace.last, pace.ms] },
          holds: timeline.holds.size,
          calls: heard.calls,
          words: heard.clips | Sensing::SAID,
          asks_at_end: session.to_protocol.first_breath == :end,
          line: {
            left: BreathLine::LEFT,
            right: BreathLine::RIGHT
          }
        }.compact
      end

      def timeline = @timeline ||= session.to_timeline

      private

      def asked_holds = @asked_holds ||= session.to_protocol.asked_holds(session.to_dose, timeline)

      # Where a rung asks for care, who is there is named before it starts.
      def care
        standing = session.prescription.to_standing(on: session.local_date, values: @values)
        return unless standing && !session.over? && standing.ladder.care?(session.rung)

        watcher = @day&.watcher
        "This rung asks for care: #{watcher.presence || "somebody"} beside, the oximeter on."
      end

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

      # @return [Set<Integer>] numbers of the holds after which the first breath is asked for while it runs
      def asked_breaths = (session.to_protocol.first_breath == :end) ? Set.new : asked_holds

      def calls = @calls ||= timeline.placed.map { |place| calls_of(place) }

      def heard = @heard ||= Heard.of(session, timeline, calls)
    end
  end
end
