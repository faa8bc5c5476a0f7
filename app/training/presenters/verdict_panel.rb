# frozen_string_literal: true

module Windlass
  module Presenters
    # The verdict on a day's sets, its reasons, and what the coach can do with it.
    class VerdictPanel
      WORDS = {stop: "Stop", rest: "Rest", ease: "Ease", repeat: "Repeat", advance: "Advance"}.freeze

      # @param move [Records::Move]
      # @return [String] what was decided, said where one goes next
      def self.told(move) =
        "#{move.prescription.name}, #{Dates.short(move.local_date)}: #{move.noted ? "noted" : "decided"}, " \
        "#{WORDS.fetch(move.decided.to_sym).downcase}."

      attr_reader :session, :rating, :decision

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

      # @return [Boolean] it may have been written wrong
      def written_in? = !session.written_in.empty? && Queries::StillOpen.discardable?(session)

      # What two devices ran of the same: the one that was planned, and the others.
      # @return [Array<Twin>] empty where it was one, or where it was said already
      def twins
        return [] unless Queries::Twins.open?(session)

        Queries::Twins
          .pair(session)
          .map do |one|
            held = one.rounds.select(&:held_ms)
            Twin.new(
              uuid: one.uuid,
              this: one.id == session.id,
              began: one.started_at&.getlocal&.strftime("%H:%M"),
              words:
                "#{Words.count(held.size, "hold")}, #{Words.seconds((held.sum(&:held_ms) / 1000.0).round)} in all, " \
                "#{(one.state == "done") ? "to the end" : "not to the end"}"
            )
          end
      end
      Twin = Value.define(:uuid, :this, :began, :words)

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

      def decided_word = move.noted ? "Noted" : WORDS.fetch(move.decided.to_sym)

      def not_offered_words = Queries::JudgeDay::NOT_OFFERED

      def verdict = @verdict ||= Queries::JudgeDay.call(session, of_the_day: sets)

      def word = WORDS.fetch(verdict.verdict)

      def reasons = verdict.reasons

      # Where it leads, in words.
      def leads_to
        return "A newer day is decided already, so this one is only noted: nothing moves." if noted? && !verdict.stop?

        target = verdict.target
        if target.nil?
          return (
            "Quiet breathing#{" until #{Words.date(verdict.resting_until)}" if verdict.resting_until}, and a new " \
            "control pause."
          )
        end

        case verdict.verdict
        when :stop
          "All hold work stops now. After a clinician's clearance it begins anew from the lowest rung."
        when :rest
          "Quiet breathing until #{Words.date(verdict.resting_until)}, then #{words(target)}."
        when :repeat
          "Stays at #{words(target)}."
        else
          "To #{words(target)}."
        end
      end

      def move =
        @move ||= Records::Move.kept.find_by(prescription_id: session.prescription_id, local_date: session.local_date)

      def decided_words
        if move.noted
          return (
            "A newer day was decided before: noted as #{WORDS.fetch(move.decided.to_sym).downcase}, and nothing moved."
          )
        end

        sentence = "Decided#{move.by_whom}: #{WORDS.fetch(move.decided.to_sym).downcase}"
        move.overruled? ? "#{sentence}, over #{move.verdict}: #{move.overruled_because}" : sentence
      end

      # @return [Boolean] the newest move, which may still be taken back
      def takes_back? = Queries::StillOpen.retractable?(move)

      # @return [String, nil] what the judge says since the log was edited
      def now_words
        if move.verdict_now
          "Judged anew after the edit: #{WORDS.fetch(move.verdict_now.to_sym).downcase}. #{move.reason_now}"
        end
      end

      # A stop acts when it is saved, decided day or not.
      def stops_when_saved? = !move.nil? && verdict&.stop?

      def accept_words
        return "Note it: #{word.downcase}" if noted? && !verdict.stop?

        "#{verdict.stop? ? "Confirm" : "Accept"}: #{word.downcase}"
      end

      def overrulable? = !verdict.stop? && !noted?

      # @return [String, nil] what a change of the rating led to, read out
      def said = (["#{word}.", *reasons.map(&:text)].join(" ") unless move || discarded? || verdict.nil? || twins.any?)

      # @return [Array<Array(Symbol, String)>] the other verdicts a coach may choose
      def others =
        Progression::OVERRULABLE.reject { |one| one == verdict.verdict }.map { |one| [one, WORDS.fetch(one)] }

      private

      attr_reader :sets

      def words(standing)
        "#{standing.protocol.in_words(standing.dose)} (#{LadderLine.new(standing).place.downcase})"
      end
    end
  end
end
