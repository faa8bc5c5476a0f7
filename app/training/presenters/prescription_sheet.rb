# frozen_string_literal: true

module Windlass
  module Presenters
    # A prescription before it is run: the dose, its place on the ladder, the breath line, and what is to be minded.
    class PrescriptionSheet
      attr_reader :prescription

      # @param prescription [Records::Prescription]
      # @param situations [Situations, nil] where it is put together for several at once
      # @param sets_done [Integer, nil] today, where that is known
      def initialize(prescription, now:, situations: nil, sets_done: nil)
        @sets_done = sets_done
        @prescription = prescription
        @now = now
        @situations = situations || Situations.of([prescription.athlete], now: now)
      end

      def id = prescription.id

      def athlete = prescription.athlete

      def protocol = prescription.to_protocol

      def name = prescription.name

      def title = "#{name}, #{athlete.name}"

      def quiet? = prescription.quiet?

      def over? = prescription.over?

      # @return [Boolean] ended, and nothing of its family runs: it may be taken up again
      def reopenable? =
        over? && !prescription.run_once && athlete.prescriptions.open.where(protocol: prescription.protocol).none?

      # @return [Boolean] clean days that they did alone move by the rule
      def moves_itself? = !prescription.moves_by.empty?

      # @return [Boolean] there is something that it may move on
      def laddered? = protocol.laddered? && !once?

      # @return [Boolean] for one session, beside a ladder
      def once? = prescription.run_once

      def standing
        return @standing if defined?(@standing)

        @standing = (quiet? || over?) ? nil : prescription.to_standing(on: today, values: values)
      end

      # Fallen quiet, and measured since.
      def resumable? = quiet? && Queries::Offer.measured_anew?(prescription)

      # @return [Progression::Ready, nil] nil where nothing is offered
      def ready = @ready ||= standing && @situations.ready(prescription.athlete_id, standing)

      # @param words [Boolean] or tones alone
      # @return [Spoken::Score] all that is heard of it
      def heard(words:)
        Spoken.of(
          timeline,
          counts: protocol.counting(dose_today, way: prescription.counting.presence&.to_sym),
          calls: protocol.calls(dose_today),
          blocks: protocol.named_blocks(dose_today),
          own_ms: Records::OwnWords.ms(timeline.segments),
          voice: words
        )
      end

      # @return [Boolean] something of it is counted aloud
      def counts? = protocol.families.any?(&:counted_aloud)

      # @return [Boolean] there is a dose today
      def dosed? = !standing.nil?

      def runnable? = hindrance.nil? && ready.go?

      # @return [Records::Day] what was said today; empty where nothing was
      def day = @day ||= athlete.day_on(today)

      # @return [String, nil]
      def day_said = day.new_record? ? nil : day.in_words

      # @return [Array<Array(Symbol, String, Boolean)>]
      def questions = Progression::TodaysQuestions::ALL.map { |answer, words| [answer, words, day.says?(answer)] }

      # @return [Boolean] a forecast hold falls under the planning floor: somebody beside, and an oximeter on, before it
      #   starts
      def care? = !standing.nil? && standing.ladder.care?(standing.rung)

      # Asking again may change it: what bars is said today, or nobody was named.
      ASKED_TODAY = %w[block.today block.water block.buddy block.care].freeze

      def askable? = ready.go? || (ready.reasons.reject(&:go?).map(&:rule) - ASKED_TODAY).empty?

      # @return [Protocols::Protocol] for a day that is none for this
      def instead = Protocols.always_open

      # @return [Array<Array(Protocols::Lever, String)>] levers, and how far the trade's own limit goes
      def limits
        protocol.levers.map do |lever|
          [
            lever,
            Forms::TypedNumbers.show(
              lever.limit_for(values, athlete.switches, dose: Records::Record.dose(prescription.dose)),
              lever
            )
          ]
        end
      end

      # @return [Array<Array(Integer, String)>] rungs that may be begun on, before anything was run
      def startable
        return [] unless standing && protocol.laddered? && Queries::StillOpen.untouched?(prescription)

        standing
          .ladder
          .rungs
          .map
          .with_index(1) { |dose, number| [number, [protocol.in_short(dose), change_to(number)].compact.join("; ")] }
      end

      # @return [String, nil] why it did not begin on the lowest rung
      def started_because = prescription.started_because.then { |words| "Begun higher: #{words}" unless words.empty? }

      # @return [Array<String>] what the coach noted
      def notes = protocol.notes(dose_today)

      # Cautions of the protocol, and those that the screening and the model add.
      def cautions
        findings = protocol.columns(dose_today).map { |column| athlete.to_screen(on: today).finding(column, on: today) }
        protocol.cautions + findings.select { |one| one.state == :care }.flat_map(&:reasons).uniq + [care].compact
      end

      # Why it is not there to be run at all.
      def hindrance
        if quiet?
          return (
            (
              if resumable?
                "A new measure has been taken: it may begin anew, at the lowest rung."
              else
                prescription.quiet_words
              end
            )
          )
        end

        return prescription.over_words if over?
        return unless standing.nil?

        Queries::Offer.objection(
          athlete,
          protocol,
          on: today,
          values: values,
          from: Records::Record.dose(prescription.own_dose),
          limits: Records::Record.dose(prescription.limits)
        )
      end

      # @return [Array<Progression::Readiness::Reason>]
      def reasons = ready ? ready.reasons : []

      # @param ready_or_reason [#state] what has something to say
      # @return [String] `Light day`, `Wait`, `Not today`; a yes with a reason is one rung lower
      def self.ready_word(ready_or_reason) = READY_WORDS.fetch(ready_or_reason.state)

      READY_WORDS = {block: "Not today", wait: "Wait", light: "Light day", yes: "Start lower"}.freeze

      # @return [Hash] as it is to be done today
      def dose_today = ready&.dose

      def dose = protocol.in_words(dose_today)

      # @return [String] `9 blocks, 14 min`; of a single family its dose
      def heading = block_words.any? ? "#{protocol.heading(dose_today)}, #{length}" : dose

      def block_words = protocol.blocks_in_words(dose_today)

      def posture = (protocol.posture == :lying) ? "lying" : Protocols::PLACES.fetch(protocol.places.first)

      def ladder = LadderLine.new(standing)

      def length = Words.length(timeline.total_ms / 1000)

      # @return [String, nil] nil where nothing is
      def held = timeline.holds.any? ? "#{Words.length(timeline.hold_ms / 1000)} held" : nil

      # @return [String, nil] nil where there is but one, and it is to be done
      def set
        sets = protocol.sets(dose_today)
        return "#{(sets == 1) ? "Today's session is" : "All #{sets} sets of today are"} done" if sets_done >= sets

        "Set #{sets_done + 1} of #{sets}" if sets > 1
      end

      # @return [Integer] today
      def sets_done =
        @sets_done ||=
          Records::Session.sets_done(on: today, prescription_id: prescription.id).fetch(prescription.id, 0)

      # @return [String] what stands under the name
      def about =
        [
          once? ? "once, beside the ladder" : ladder.place.downcase,
          set,
          [length, held].compact.join(", "),
          "dry, #{posture}"
        ].compact.join(" · ")

      def line
        BreathLine.new(timeline, body, title: "One set of #{protocol.name.downcase}: #{dose}", forecast: forecast)
      end

      # What the model says, in a sentence or two; why it says nothing, where it does not.
      def forecast_words
        return Forecasts.objection(athlete, on: today) unless forecast

        ForecastWords.of(forecast)
      end

      # @return [Array<ForecastWords::Row>]
      def forecast_rows = forecast ? ForecastWords.rows(forecast) : []

      def miniature = Miniature.new(timeline, body)

      # @return [Array<Array(String, String)>] what each part is, and how long it takes
      def parts
        timeline
          .segments
          .group_by { |segment| [segment.phase, segment.cue] }
          .map do |(_phase, cue), segments|
            lengths = segments.map(&:seconds).minmax.map { |seconds| Words.seconds(seconds) }.uniq
            [cue, segments.size, lengths.join(" to ")]
          end
      end

      def timeline = @timeline ||= protocol.compile(dose_today, body)

      def today = @now.to_date

      def body = athlete.to_body(on: today, posture: protocol.posture)

      private

      # @return [String, nil] the one change that leads to a rung
      def change_to(number)
        lever, _, value = standing.ladder.change_after(number - 2) if number > 1
        if lever && protocol.in_short(standing.ladder.rungs[0]) == protocol.in_short(standing.ladder.rungs[1])
          "#{lever.words} #{Words.number(value)}"
        end
      end

      def values = @situations.values(athlete.id)

      def forecast = @forecast ||= Forecasts.of(athlete, timeline, on: today, posture: protocol.posture)

      def care
        "A forecast hold falls under the planning floor: somebody beside, and an oximeter on." if care?
      end
    end
  end
end
