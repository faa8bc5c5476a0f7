# frozen_string_literal: true

module Windlass
  module Presenters
    # The verdict on a day's sets, its reasons, and what the coach can do with it.
    class VerdictPanel
      WORDS = {stop: "Stop", rest: "Rest", ease: "Ease", repeat: "Repeat", advance: "Advance"}.freeze

      # Lays a rating over the record without keeping it.
      def self.preview(session, rating) = Actions::RateSession.assign(session, rating)

      attr_reader :session, :rating, :decision

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] with errors, perhaps
      # @param decision [Forms::DecisionForm, nil]
      def initialize(session, rating: nil, decision: nil)
        @session = session
        @rating = rating
        @decision = decision
      end

      def errors = (rating&.errors || {}).merge(decision&.errors || {})

      # @param field [String] as the page calls it
      def field_words(field)
        number = field[/\Arounds\[(\d+)\]/, 1]
        number ? "Hold #{number}" : field.capitalize
      end

      def verdict = @verdict ||= Actions::JudgeDay.call(session)

      NOT_OFFERED = "The measures do not offer this protocol any more. Take a new one."

      def word = WORDS.fetch(verdict.verdict)

      def reasons = verdict.reasons

      # Where it leads, in words.
      def leads_to
        target = verdict.target
        return "Quiet breathing, and a new control pause." if target.nil?

        case verdict.verdict
        when :stop then "All hold work stops now. After a clinician's clearance it begins anew from the lowest rung."
        when :rest then "Seven days of quiet breathing, then #{words(target)}."
        when :repeat then "Stays at #{words(target)}."
        else "To #{words(target)}."
        end
      end

      def move = @move ||= Records::Move.kept.find_by(prescription_id: session.prescription_id, local_date: session.local_date)

      def decided_words
        sentence = "Decided: #{WORDS.fetch(move.decided.to_sym).downcase}"
        move.overruled? ? "#{sentence}, over #{move.verdict}: #{move.overruled_because}" : sentence
      end

      # @return [Boolean] the newest move, which may still be taken back
      def takes_back? = Actions::TakeBack.allowed?(move)

      # @return [String, nil] what the judge says since the log was edited
      def now_words
        "Judged anew after the edit: #{WORDS.fetch(move.verdict_now.to_sym).downcase}. #{move.reason_now}" if move.verdict_now
      end

      # A stop acts when it is saved, decided day or not.
      def stops_when_saved? = !move.nil? && verdict&.stop?

      def accept_words = "#{(verdict.verdict == :stop) ? "Confirm" : "Accept"}: #{word.downcase}"

      def overrulable? = verdict.verdict != :stop

      # @return [Array<Array(Symbol, String)>] the other verdicts a coach may choose
      def others = Actions::Decide::OVERRULABLE.reject { |one| one == verdict.verdict }.map { |one| [one, WORDS.fetch(one)] }

      private

      def words(standing)
        "#{standing.protocol.in_words(standing.dose)} (#{LadderLine.new(standing).place.downcase})"
      end
    end
  end
end
