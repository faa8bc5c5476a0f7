# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # The verdict on a day's sets, its reasons, and what the coach can do with it.
    class VerdictPanel
      extend Forwardable

      attr_reader :session, :rating, :decision

      def_delegators :in_words, :word, :decided_word, :leads_to, :decided_words, :now_words, :accept_words, :others

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] with errors, perhaps
      # @param decision [Forms::DecisionForm, nil]
      # @param today [Date]
      # @param sets [Array<Records::Session>] of the day
      def initialize(session, today:, rating: nil, decision: nil, sets: session.sets_of_the_day)
        @session = session
        @sets = sets
        @today = today
        @rating = rating
        @decision = decision
      end

      def errors = (rating&.errors || {}).merge(decision&.errors || {})

      # @param field [String] as the page calls it
      def field_words(field)
        number = field[/\Arounds\[(\d+)\]/, 1]
        number ? "Hold #{number}" : field.capitalize
      end

      def discarded? = !session.discarded_at.nil?

      # @return [Boolean] nothing done, or left within the first round: offered to be discarded
      def false_start? = session.to_core.false_start?

      def big_word = false_start? ? "False start" : word

      # @return [Boolean] it may have been written wrong
      def written_in? = !session.written_in.empty? && Queries::StillOpen.discardable?(session)

      # A decision on a part of a day is not offered. A stop acts whenever it is said.
      def decidable? = verdict.stop? || Queries::JudgeDay.over?(sets, today: @today)

      def given_up? = decidable? && session.given_up && session.local_date == @today

      # @return [String] `1 of 2 sets done.`
      def sets_words
        planned = session.to_protocol.sets(session.to_dose)
        "#{Queries::JudgeDay.done(sets)} of #{Words.count(planned, "set")} done. #{Queries::JudgeDay::NOT_OVER}"
      end

      # What was typed stays through every preview.
      def because =
        [decision, rating].compact.map { |form| form.text_at(:because) }.find { |typed| !typed.empty? } || ""

      # @return [Boolean] a newer day is decided: this one moves nothing any more
      def noted?
        return @noted if defined?(@noted)

        @noted = Queries::StillOpen.noted?(session.prescription, session.local_date)
      end

      def not_offered_words = Queries::JudgeDay::NOT_OFFERED

      def verdict = @verdict ||= Queries::JudgeDay.call(session, of_the_day: sets)

      def reasons = verdict.reasons

      def move = @move ||= session.prescription.moves.find_by(local_date: session.local_date)

      # @return [Boolean] the newest move, which may still be taken back
      def takes_back? = Queries::StillOpen.retractable?(move)

      # A stop acts when it is saved, decided day or not.
      def stops_when_saved? = !move.nil? && verdict&.stop?

      def overrulable? = !verdict.stop? && !noted?

      # @return [String, nil] what a change of the rating led to, read out
      def said = (in_words.said unless move || discarded? || verdict.nil? || twins.any?)

      # @return [Array<SessionTwins::Twin>] empty where it was one, or where it was said already
      def twins = @twins ||= SessionTwins.of(session)

      private

      attr_reader :sets

      def in_words = @in_words ||= VerdictWords.new(self)
    end
  end
end
