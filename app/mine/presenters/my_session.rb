# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A set that somebody did alone: two answers, then what comes of it.
    class MySession
      extend Forwardable

      attr_reader :session

      # @param session [Records::Session]
      # @param form [Forms::RatingForm, nil] what was typed, where it has errors
      # @param decides [Boolean] they are their own coach, too
      def initialize(session, today:, form: nil, decides: false)
        @session = session
        @decides = decides
        @today = today
        @sheet = SessionSheet.new(session, rating: form)
      end

      def_delegators :@sheet, :uuid, :efforts, :effort, :symptom_groups, :symptom?, :note, :over?

      def name = session.prescription.name

      # @return [String] `Set 1 of 3 done.`
      def done
        return "Left at once: it counts for nothing." if session.to_core.false_start?

        sets = session.to_protocol.sets(session.to_dose)
        return "Done." if sets == 1

        "Set #{Queries::JudgeDay.done(of_the_day)} of #{sets} done."
      end

      # @return [Boolean] they said how it was
      def told? = !session.effort.nil?

      # What comes of the day, once its last set is done and it was said how it was.
      # @return [Array<String>] sentences; empty before
      def comes_of_it
        return [session.caution.presence, stopped].compact if stopped
        return [] unless told?
        return ["That is kept."] unless verdict

        [session.caution.presence, MyWords::NEXT.fetch(verdict), MyWords.plain(reason), decided].compact
      end

      # @return [Boolean] something was felt
      def felt? = symptom_groups.any? { |_, symptoms, _| symptoms.keys.any? { |one| symptom?(one) } }

      # @return [Boolean] they ran it themselves, so they say how it was
      def theirs? = session.alone?

      # @return [Boolean] it waits for a decision, which is theirs
      def to_decide? = @decides && told? && move.nil? && !verdict.nil?

      private

      def of_the_day = @of_the_day ||= session.sets_of_the_day

      def stopped = (MyWords::NEXT.fetch("stop") if session.athlete.stop_on(@today))

      def move
        return @move if defined?(@move)

        @move = session.prescription.moves.kept.find_by(local_date: session.local_date)
      end

      # @return [String, nil] nil as long as sets of the day are to come
      def verdict
        return move.decided if move

        of_the_day.last.proposed_verdict if Queries::JudgeDay.over?(of_the_day, today: @today)
      end

      # @return [String, nil] the same again, as planned, has none
      def reason
        return move.reasons.first&.fetch("text", nil) if move && !move.overruled?

        of_the_day.last.proposed_reason unless move
      end

      def decided = ("Your coach looks at it first." unless move || @decides)
    end
  end
end
