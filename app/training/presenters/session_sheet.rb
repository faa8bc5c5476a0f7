# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # One session after it was run: the line drawn over its plan, the rounds, and what the coach says of it.
    class SessionSheet
      # What may be said; an answer that nobody knows stays unknown.
      UNKNOWN = {"" => "not known"}.freeze
      RIBS = {"wide" => "wide", "dropped" => "dropped"}.merge(UNKNOWN).freeze
      STREAM = {"even" => "even", "flickering" => "flickering"}.merge(UNKNOWN).freeze

      attr_reader :session

      # @param session [Records::Session]
      # @param rating [Forms::RatingForm, nil] what was typed, where it has errors
      def initialize(session, rating: nil)
        @session = session
        @rating = rating
        @in_rounds = SessionRounds.new(session, rating: rating)
      end

      extend Forwardable

      def_delegators :@in_rounds, :rounds, :sounds

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
          turned_quiet || "ended early"
        end
      end

      # @return [Array<String>] what stood there before
      def corrections = Corrections.of(session)

      # @return [Array<String>] what was done otherwise than planned, and what was felt, each with its moment
      def noted
        events.filter_map do |event|
          case event.kind
          when :shorten
            "shorter holds from #{at(event)} on"
          when :restore
            "one breath more at #{at(event)}"
          when :beat
            "#{event.value} beats a minute from #{at(event)} on"
          when :symptom
            Progression::Symptoms::Noted.of(event).in_words
          end
        end
      end

      def line
        BreathLine.new(
          run,
          session.to_body,
          title: "#{title}, as it was done",
          rounds: drawn_rounds,
          forecast: Forecasts.of(athlete, run, on: session.local_date, posture: session.posture.to_sym)
        )
      end

      # @return [Boolean] exhales are judged, in all of it or in some blocks
      def sounded? = parts.any? { |part| sounded_part?(part) }

      # @return [Boolean] holds are judged, in all of it or in some blocks
      def held? = holds? && (parts.empty? || parts.any? { |part| !sounded_part?(part) })

      # What is asked once of a session of sounded exhales.
      RIBS_STAYED = {"always" => "always", "mostly" => "mostly", "no" => "no"}.merge(UNKNOWN).freeze

      def ribs_asked? = session.to_protocol.families.any?(&:ribs_asked?)

      def ribs = @rating ? @rating.text_at(:ribs) : session.ribs

      # @return [String, nil] where it is a baseline: the medians, full and empty
      def baseline_words = (Baselines.in_words(session.rounds) if session.to_protocol.baseline?)

      # @return [Boolean] the first breath after a hold says something here
      def breaths_asked? = asked.any?

      # @return [Hash{String => String}]
      def breath_answers = Timeline::FIRST_BREATHS.to_h { |breath| [breath.to_s, breath.to_s] }.merge(UNKNOWN)

      # The one question that is left at the end: those that matter and that nobody rated.
      # @return [String, nil]
      def unknown_words
        missing = rounds.select { |round| round.asked && round.held && round.first_breath.to_s.empty? }.map(&:number)
        if missing.any?
          "How was the first breath after #{(missing.size == 1) ? "hold" : "holds"} #{Words.list(missing)}? Leave " \
          "blank if unseen."
        end
      end

      def effort = @rating ? @rating.text_at(:effort) : session.effort&.then { |effort| Words.number(effort) }

      # @return [Array<Array(String, Hash, String)>] legend, symptoms and the look of their boxes
      def symptom_groups
        symptoms = Progression::Symptoms
        [
          ["Symptoms", symptoms::WARNINGS.merge(symptoms::OTHERS), ""],
          ["These stop all hold work", symptoms::STOPS, "stop"]
        ]
      end

      def symptom?(symptom) = (@rating ? @rating.symptoms : session.symptoms).include?(symptom.to_s)

      def place = @rating ? @rating.text_at(:place) : session.place

      def fault?(field) = !@rating&.fault(field).nil?

      # @return [Array<String>] where this athlete trained before
      def places = Records::Session.where(athlete_id: session.athlete_id).where.not(place: "").distinct.pluck(:place)

      # @return [Array<Records::Photo>] without their bytes
      def photos = session.photos.select(:id, :uuid, :kept_at).to_a

      def note = @rating ? @rating.text_at(:note) : session.note

      # @return [String] when the server heard of it: what was noted offline comes later
      def emergency_heard_at = emergency_events.map(&:received_at).min.getlocal.strftime("%H:%M")

      # @return [Array<EmergencyCard::Note>] the beginning of an incident report
      def emergency_notes = EmergencyCard.notes(emergency_events.map(&:to_core))

      def efforts = (0..10).map(&:to_s)

      private

      def_delegators :@in_rounds, :asked, :parts, :held_rounds

      def events = @events ||= session.journal_events.sort_by(&:at_ms).map(&:to_core)

      def at(event) = Words.clock(event.at_ms / 1000)

      # @return [String, nil] from when on somebody breathed quietly instead
      def turned_quiet =
        session
          .journal_events
          .find { |event| event.kind == "quiet" }
          &.then { |event| "quiet breathing from #{Words.clock(event.at_ms / 1000)} on" }

      def emergency_events =
        @emergency_events ||=
          session.journal_events.select { |event| Timeline::EMERGENCY_KINDS.include?(event.kind.to_sym) }

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

      # Numbered as the holds of the drawing are.
      def drawn_rounds =
        held_rounds.map do |round|
          DrawnRound.new(number: round.hold, **round.slice(:held_ms, :first_urge_ms, :first_breath).symbolize_keys)
        end

      DrawnRound = Value.define(:number, :held_ms, :first_urge_ms, :first_breath)
      private_constant :DrawnRound

      # Parts without a length of their own are drawn as long as they took; all others as they were planned.
      def run =
        @run ||= session.to_paced.then { |plan| (plan.segments.any?(&:open?) || changed?) ? session.to_run : plan }

      # Something was done otherwise than planned, by a key for it.
      def changed? = events.any? { |event| %i[hold_now shorten restore].include?(event.kind) }
    end
  end
end
