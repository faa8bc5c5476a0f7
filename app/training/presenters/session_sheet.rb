# frozen_string_literal: true

module Windlass
  module Presenters
    # One session after it was run: the line drawn over its plan, the rounds, and what the coach says of it.
    class SessionSheet
      Round =
        Value.define(:number, :where, :target, :held, :urge, :forecast, :low, :first_breath, :asked, unmarked: false)
      Sound = Value.define(:number, :where, :planned, :reached, :field, :unit, :ribs, :stream, :heard)

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
      end

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

      # @return [Array<Round>]
      def rounds
        held_rounds.map do |round|
          typed = typed_round(round.number)
          Round.new(
            number: round.number,
            where: where(round.number),
            target: round.target_ms ? Words.seconds(round.target_ms / 1000.0) : "open",
            held: typed["held_s"] || (Forms::RatingForm.seconds(round.held_ms) if round.held_ms && !round.unmarked),
            unmarked: round.unmarked,
            forecast: forecast_urge(round.hold),
            low: typed["low"] || (round.sao2_low && Words.number((round.sao2_low * 100).round(1))),
            urge: urge(round),
            first_breath: typed["first_breath"] || round.first_breath,
            asked: asked.include?(round.number)
          )
        end
      end

      # @return [Boolean] exhales are judged, in all of it or in some blocks
      def sounded? = parts.any? { |part| sounded_part?(part) }

      # @return [Boolean] holds are judged, in all of it or in some blocks
      def held? = holds? && (parts.empty? || parts.any? { |part| !sounded_part?(part) })

      # What is asked once of a session of sounded exhales.
      RIBS_STAYED = {"always" => "always", "mostly" => "mostly", "no" => "no"}.merge(UNKNOWN).freeze

      def ribs_asked? = session.to_protocol.families.any?(&:ribs_asked?)

      def ribs = @rating ? @rating.text_at(:ribs) : session.ribs

      # @return [Array<Sound>] in beats where they are counted, else in seconds
      def sounds
        beat_ms = session.beat_ms
        (session.rounds - held_rounds).map { |round| sound(round, typed_round(round.number), beat_ms[round.number]) }
      end

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
          "How was the first breath after #{(missing.size == 1) ? "hold" : "holds"} #{Words.list(missing)}? What " \
          "nobody knows stays unknown."
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

      # @return [String, nil] which of the day's; nil where there is but one, and of what is no set
      def set
        sets = session.to_protocol.sets(session.to_dose)
        place = sets_of_the_day.index { |one| one.id == session.id }
        return if place.nil? || sets == 1 || session.to_core.false_start?

        "set #{Queries::JudgeDay.done(sets_of_the_day.first(place + 1))} of #{sets}"
      end

      def asked = @asked ||= session.asked_breaths

      def parts = @parts ||= session.parts

      def sounded_part?(part) = part.is_a?(Timeline::Compiled::Sounded)

      def held_rounds = @held_rounds ||= session.rounds.select(&:hold)

      # Numbered as the holds of the drawing are.
      def drawn_rounds =
        held_rounds.map do |round|
          DrawnRound.new(number: round.hold, **round.slice(:held_ms, :first_urge_ms, :first_breath).symbolize_keys)
        end

      DrawnRound = Value.define(:number, :held_ms, :first_urge_ms, :first_breath)
      private_constant :DrawnRound

      # @return [String, nil] the block, how the lungs are at one's own pace, or after how few breaths it was begun
      def where(number)
        hold = parts[number - 1]&.number
        return "after #{Words.count(sooner[hold], "breath")}:" if sooner[hold]

        block = parts[number - 1]&.block
        return "#{session.to_protocol.runs[block - 1].in_words}:" if block

        if session.to_protocol.baseline?
          number.odd? ? "full" : "empty"
        end
      end

      def sound(round, typed, beat_ms)
        planned_ms = round.target_ms
        field, unit, words, said = beat_ms ? in_beats(beat_ms) : IN_SECONDS
        heard = heard_of(round.number)
        Sound.new(
          number: round.number,
          where: where(round.number),
          planned: said[planned_ms],
          reached: typed[field] || (reached_ms(round, heard) && words[reached_ms(round, heard)]),
          field: field,
          unit: unit,
          ribs: typed["ribs"] || round.ribs,
          stream: typed["stream"] || round.stream || heard&.stream,
          heard: heard && "#{said[heard.ms]}, #{heard.words}"
        )
      end

      # Field, unit, as it is typed, as it is told.
      IN_SECONDS = [
        "held_s",
        "as 1:35 or in seconds",
        ->(ms) { Forms::RatingForm.seconds(ms) },
        ->(ms) { Words.seconds(ms / 1000.0) }
      ].freeze

      def in_beats(beat_ms) =
        [
          "beats",
          "beats",
          ->(ms) { Forms::RatingForm.beats(ms, beat_ms) },
          ->(ms) { "#{Words.number(ms / beat_ms)} beats" }
        ]

      # What a microphone heard of an exhale stands in the fields until something else is said, and is kept with them.
      Heard = Value.define(:ms, :words) { def stream = (words == "flickering") ? "flickering" : "even" }
      private_constant :Heard

      def heard_of(number)
        event = session.journal_events.reverse.find { |one| one.kind == "hiss" && one.round == number } or return
        ms, words = event.value.split(".")
        Heard.new(ms: Integer(ms, 10), words: words)
      end

      # Until somebody said how the exhale was.
      def reached_ms(round, heard) = round.stream.nil? ? heard&.ms || round.held_ms : round.held_ms

      # Parts without a length of their own are drawn as long as they took; all others as they were planned.
      def run =
        @run ||= session.to_paced.then { |plan| (plan.segments.any?(&:open?) || changed?) ? session.to_run : plan }

      # Something was done otherwise than planned, by a key for it.
      def changed? = events.any? { |event| %i[hold_now shorten restore].include?(event.kind) }

      # @return [Hash{Integer => Integer}] breaths that were done before a hold that was begun sooner than planned
      def sooner =
        @sooner ||=
          session
            .journal_events
            .select { |event| event.kind == "hold_now" }
            .to_h { |event| [event.round, Integer(event.value, 10)] }

      def urge(round)
        marks = [
          (Words.seconds(round.first_urge_ms / 1000.0) if round.first_urge_ms),
          ("contraction #{Words.seconds(round.contraction_ms / 1000.0)}" if round.contraction_ms)
        ].compact
        marks.empty? ? "–" : marks.join(", ")
      end

      # As it was forecast when the session was planned.
      def forecast_urge(hold) = ForecastWords.seconds(session.forecast_of(hold)&.fetch("urge_s"))

      def typed_round(number) = @rating ? @rating.typed_round(number) : {}
    end
  end
end
