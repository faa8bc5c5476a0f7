# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A prescription before it is run: the dose, its place on the ladder, the breath line, and what is to be minded.
    class PrescriptionSheet
      extend Forwardable

      attr_reader :prescription

      # @param prescription [Records::Prescription]
      # @param situations [Situations, nil] where it is put together for several at once
      # @param sets_done [Integer, nil] today, where that is known
      def initialize(prescription, now:, situations: nil, sets_done: nil)
        @prescription = prescription
        @now = now
        @sets = TodaysSets.new(prescription, today, done: sets_done)
        @situations = situations || Situations.of([prescription.athlete], now: now)
      end

      def_delegators :prescription, :id, :athlete, :name
      def_delegators :prescribed_ladder, :laddered?, :ladder, :limits, :startable, :started_because
      def_delegators :asked, :day, :day_said, :questions, :care?, :askable?, :ask_words, :instead
      def_delegators :state, :quiet?, :over?, :reopenable?, :resumable?, :once?, :moves_itself?
      def_delegators :@sets, :sets_done
      def_delegators :drawn, :timeline, :line, :miniature, :length, :held, :forecast_rows, :parts, :body,
        :block_words, :notes

      def protocol = prescription.to_protocol

      def title = "#{name}, #{athlete.name}"

      def standing
        return @standing if defined?(@standing)

        @standing = (quiet? || over?) ? nil : prescription.to_standing(on: today, values: values)
      end

      # @return [Progression::Ready, nil] nil where nothing is offered
      def ready = @ready ||= standing && @situations.ready(prescription.athlete_id, standing)

      # @param words [Boolean] or tones alone
      # @return [Spoken::Score] all that is heard of it
      def heard(words:) = drawn.heard(words: words, way: prescription.counting.presence&.to_sym)

      # @return [Boolean] something of it is counted aloud
      def counts? = protocol.families.any?(&:counted_aloud)

      # @return [Boolean] there is a dose today
      def dosed? = !standing.nil?

      def runnable? = hindrance.nil? && ready.go?

      # @return [String] what a button says that leads to it
      def open_words = runnable? ? "Check in and start" : "Open"

      def cautions = TodaysCautions.of(athlete, protocol, dose_today, today, care: care?)

      # @return [String, nil] why it is not there to be run at all
      def hindrance = state.hindrance(dosed: dosed?)

      # @return [Array<Progression::Readiness::Reason>]
      def reasons = ready ? ready.reasons : []

      # @return [Hash] as it is to be done today
      def dose_today = ready&.dose

      def dose = protocol.in_words(dose_today)

      # @return [String] `9 blocks, 14 min`; of a single family its dose
      def heading = block_words.any? ? "#{protocol.heading(dose_today)}, #{length}" : dose

      def posture = (protocol.posture == :lying) ? "lying" : Protocols::PLACES.fetch(protocol.places.first)

      # @return [String, nil] which set it is
      def set = @sets.in_words(dose_today)

      # @return [String] what stands under the name
      def about =
        [
          once? ? "once, beside the ladder" : ladder.place.downcase,
          set,
          [length, held].compact.join(", "),
          "dry, #{posture}"
        ].compact.join(" · ")

      # What the model says, in a sentence or two; why it says nothing, where it does not.
      def forecast_words = drawn.forecast_words || Forecasts.objection(athlete, on: today)

      def today = @now.to_date

      private

      def values = @situations.values(athlete.id)

      def state = @state ||= PrescriptionState.new(prescription, values, today)

      def prescribed_ladder = @prescribed_ladder ||= PrescriptionLadder.new(prescription, standing, values)

      def asked =
        @asked ||=
          AskedToday.new(athlete, today, said: @situations.said(athlete.id), standing: standing, ready: ready)

      def drawn
        @drawn ||=
          DrawnDose.new(
            protocol,
            dose_today,
            athlete.to_body(on: today, posture: protocol.posture),
            title: "One set of #{protocol.name.downcase}: #{dose}"
          ) { |timeline| Forecasts.of(athlete, timeline, on: today, posture: protocol.posture) }
      end
    end
  end
end
