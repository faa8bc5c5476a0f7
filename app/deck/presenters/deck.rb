# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # What the deck gets: the compiled timeline and the places of its drawing.
    class Deck
      extend Forwardable

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

      def timeline = @timeline ||= session.to_timeline

      def_delegators :in_words, :emergency_card, :cautions, :notes

      # @return [Hash] for the deck's script
      def plan = @plan ||= DeckPlan.new(self, @keys).to_h

      # @return [Set<Integer>] numbers of the holds after which a first breath is asked for
      def asked_holds = @asked_holds ||= session.to_protocol.asked_holds(session.to_dose, timeline)

      private

      def in_words = @in_words ||= DeckCautions.new(session, unasked: unasked?, day: @day, values: @values)
    end
  end
end
