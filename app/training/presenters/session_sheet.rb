# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # One session after it was run: the line drawn over its plan, the rounds, and what the coach says of it.
    class SessionSheet
      extend Forwardable

      attr_reader :session

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] what was typed, where it has errors
      def initialize(session, rating: nil)
        @session = session
        @answers = SessionAnswers.new(session, rating)
        @in_rounds = SessionRounds.new(session, rating: rating)
      end

      def_delegators :@in_rounds, :rounds, :sounds
      def_delegators :@answers, :ribs_asked?, :ribs, :breath_answers, :effort, :efforts, :symptom_groups, :symptom?,
        :place, :places, :fault?, :note, :ribs_answers, :stream_answers, :ribs_stayed_answers
      def_delegators :happened, :noted, :emergency_heard_at, :emergency_notes

      def uuid = session.uuid

      # @return [Array<Records::Session>] this one among them
      def sets_of_the_day = @sets_of_the_day ||= session.sets_of_the_day

      def athlete = session.athlete

      def title = "#{session.prescription.name}, #{athlete.name}"

      def about
        [
          Dates.long(session.local_date),
          session.to_protocol.in_short(session.to_dose),
          set,
          state,
          by_whom,
          ("a false start, discarded" if session.discarded_at)
        ].compact.join(" · ")
      end

      def over? = session.over?

      def holds? = session.to_protocol.holds_in?(session.to_dose)

      def running? = session.state == "running"

      def state
        case session.state
        when "planned"
          "not begun"
        when "running"
          "on the deck"
        when "stopped"
          happened.turned_quiet || "ended early"
        end
      end

      # @return [Array<String>] what stood there before
      def corrections = Corrections.of(session)

      # @return [Boolean] exhales are judged, in all of it or in some blocks
      def sounded? = parts.any? { |part| sounded_part?(part) }

      # @return [Boolean] holds are judged, in all of it or in some blocks
      def held? = holds? && (parts.empty? || parts.any? { |part| !sounded_part?(part) })

      # @return [String, nil] where it is a baseline: the medians, full and empty
      def baseline_words = (Baselines.in_words(session.rounds) if session.to_protocol.baseline?)

      # @return [Boolean] the first breath after a hold says something here
      def breaths_asked? = asked.any?

      # The one question that is left at the end: those that matter and that nobody rated.
      # @return [String, nil]
      def unknown_words
        missing = rounds.select { |round| round.asked && round.held && round.first_breath.to_s.empty? }.map(&:number)
        if missing.any?
          "How was the first breath after #{(missing.size == 1) ? "hold" : "holds"} #{Words.list(missing)}? Leave " \
          "blank if unseen."
        end
      end

      # @return [Array<Records::Photo>] without their bytes
      def photos = session.photos.select(:id, :uuid, :kept_at).to_a

      def line = RunLine.of(session, held_rounds, changed: happened.changed?)

      private

      def_delegators :@in_rounds, :asked, :parts, :held_rounds

      def happened = @happened ||= SessionEvents.new(session)

      # @return [String, nil] `run by Maren`
      def by_whom
        return "they ran it themselves" if session.alone?

        Records::Person.by(session.run_by).then { |by| "run#{by}" unless by.empty? }
      end

      # @return [String, nil] which of the day's; nil where there is but one, and of what is no set
      def set
        sets = session.to_protocol.sets(session.to_dose)
        place = sets_of_the_day.index { |one| one.id == session.id }
        return if place.nil? || sets == 1 || session.to_core.false_start?

        "set #{Queries::JudgeDay.done(sets_of_the_day.first(place + 1))} of #{sets}"
      end

      def sounded_part?(part) = part.is_a?(Timeline::Compiled::Sounded)
    end
  end
end
