# frozen_string_literal: true

module Windlass
  module Presenters
    # One session after it was run: the line drawn over its plan, the rounds, and what the coach says of it.
    class SessionSheet
      Round = Value.define(:number, :target, :held, :urge, :forecast, :low, :first_breath)

      attr_reader :session

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] what was typed, where it has errors
      def initialize(session, rating: nil)
        @session = session
        @rating = rating
      end

      def uuid = session.uuid

      def athlete = session.athlete

      def title = "#{session.prescription.name}, #{athlete.name}"

      def about
        set = session.sets_of_the_day.index { |one| one.id == session.id }
        sets = session.to_protocol.sets(session.to_dose)
        [Dates.long(session.local_date), session.to_protocol.in_words(session.to_dose), ("set #{set + 1} of #{sets}" if set && sets > 1),
          state].compact.join(" · ")
      end

      def over? = session.over?

      def holds? = session.to_protocol.holds?

      def running? = session.state == "running"

      def state
        case session.state
        when "planned" then "not begun"
        when "running" then "on the deck"
        when "stopped" then "ended early"
        end
      end

      def line
        BreathLine.new(run, session.to_body, title: "#{title}, as it was done", rounds: session.rounds,
          forecast: Forecasts.of(athlete, run, on: session.local_date, posture: session.posture.to_sym))
      end

      # @return [Array<Round>]
      def rounds
        session.rounds.map do |round|
          typed = typed_round(round.number)
          Round.new(number: round.number, target: round.target_ms ? Words.seconds(round.target_ms / 1000.0) : "open",
            held: typed["held_s"] || (round.held_ms && Words.number(round.held_ms / 1000.0)),
            forecast: forecast_urge(round.number), low: round.sao2_low ? "#{(round.sao2_low * 100).round} %" : "–",
            urge: urge(round),
            first_breath: typed["first_breath"] || round.first_breath)
        end
      end

      def effort = @rating ? @rating.typed["effort"] : session.effort&.then { |effort| Words.number(effort) }

      # @return [Array<Array(String, Hash, String)>] legend, symptoms and the look of their boxes
      def symptom_groups
        symptoms = Progression::Symptoms
        [["Symptoms", symptoms::WARNINGS.merge(symptoms::OTHERS), ""], ["These stop all hold work", symptoms::STOPS, "stop"]]
      end

      def symptom?(symptom) = (@rating ? Array(@rating.typed["symptoms"]) : session.symptoms).include?(symptom.to_s)

      def note = @rating ? @rating.typed["note"] : session.note

      def efforts = (0..10).map(&:to_s)

      private

      # Parts without a length of their own are drawn as long as they took; all others as they were planned.
      def run = @run ||= session.to_timeline.then { |plan| plan.segments.any?(&:open?) ? session.to_run : plan }

      def urge(round)
        marks = [(Words.seconds(round.first_urge_ms / 1000.0) if round.first_urge_ms),
          ("contraction #{Words.seconds(round.contraction_ms / 1000.0)}" if round.contraction_ms)].compact
        marks.empty? ? "–" : marks.join(", ")
      end

      # As it was forecast when the session was planned.
      def forecast_urge(number) = ForecastWords.seconds(session.forecast_of(number)&.fetch("urge_s"))

      def typed_round(number)
        rounds = @rating ? @rating.typed["rounds"] : []
        rounds.find { |round| round["number"].to_s == number.to_s } || {}
      end
    end
  end
end
