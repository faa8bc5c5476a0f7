# frozen_string_literal: true

module Windlass
  module Presenters
    # A dose while it is being composed: every number with what is found about it, the line, the strips, the margins.
    class Composer
      attr_reader :form, :athlete, :own

      # @param form [Forms::DoseForm]
      # @param athlete [Records::Athlete, nil]
      # @param own [Records::OwnProtocol, nil] that is being changed
      # @param kept [Array<Records::OwnProtocol>] that may become blocks
      # @param touched [String, nil] key of the block that a button was about
      # @param goes_on [Boolean] the next block is what comes next
      def initialize(form, today:, athlete: nil, own: nil, kept: [], touched: nil, goes_on: false)
        @form = form
        @goes_on = goes_on
        @kept = kept
        @touched = touched
        @athlete = athlete
        @own = own
        @today = today
      end

      def protocol = form.protocol

      def title = own ? own.name : protocol.name

      def whose = athlete ? athlete.name : "nobody: worked out for #{Nobody::WORDS}"

      # @return [Records::Prescription, nil] of the same family, that runs: prescribing ends it
      def running
        return if athlete.nil? || !valid?
        return @running if defined?(@running)

        found = athlete.prescriptions.open.find_by(protocol: protocol.named(nil).id)
        @running = (found unless found && found.own_name.nil? && Records::Record.dose(found.own_dose) == form.dose)
      end

      # @return [String] `ends small holds, rung 3 of 8, since 12 October 2026`
      def ends_words
        place = Queries::Offer.place_words(running, Time.new(@today.year, @today.month, @today.day))
        ["ends #{running.name.downcase}", *place].join(", ")
      end

      # @return [String, nil] why it is not for this athlete at all
      def barred = (Queries::Offer.barred(athlete, protocol, dose, on: @today) if athlete && valid?)

      # @return [String, nil] what has to come first: a screening, a clearance, a consent
      def waits_for
        return if athlete.nil? || !valid? || barred

        lifts =
          protocol
            .columns(dose)
            .map { |column| athlete.to_screen(on: @today).finding(column, on: @today) }
            .reject(&:allows?)
            .map(&:lifts)
        "It can be prescribed, and waits: #{Words.list(lifts.uniq).sub(/\A./, &:downcase)}" if lifts.any?
      end

      # @return [Boolean] the keyboard stands where a block is added
      def goes_on? = blank? || @goes_on

      # @return [Boolean] a session of several blocks
      def blocks? = protocol.is_a?(Protocols::Blocks)

      # @return [Array<ComposerPart>] one for a family, one a block for a session of blocks
      def parts
        return [ComposerPart.new(form, athlete: athlete, measures: measures, findings: findings)] unless blocks?

        form
          .parts
          .map
          .with_index(1) do |block, place|
            ComposerPart.new(
              block.form,
              athlete: athlete,
              measures: measures,
              block: block,
              place: place,
              count: form.parts.size,
              touched: @touched,
              focused: @touched == block.key && !goes_on?
            )
          end
      end

      # @return [Hash{String => Array}] what a new block may be: families, and what the coach has kept
      def addable =
        {
          "Families" => Protocols::ALL.map { |one| [one.id, one.name] },
          "Your own" => @kept.map { |own| ["own:#{own.id}", own.name] }
        }.reject { |_, list| list.empty? }

      # @return [Array<Protocols::Finding>] that are about the whole
      def whole_findings = blocks? ? findings.values.flatten : []

      # @return [Protocols::Finding, nil] a hold that the gas model cuts, beside its number
      def cut
        words = valid? && protocol.cut_words(form.dose, dose)
        Protocols::Finding.new(key: form.dose.key?(:hold_s) ? :hold_s : :cap_s, level: :danger, text: words) if words
      end

      def blank? = blocks? && form.empty?

      def valid? = form.valid?

      # @return [Hash] the dose, with what the gas model sets of it
      def dose = @dose ||= protocol.fitted(form.dose, body)

      def words = protocol.in_words(dose)

      def heading = protocol.heading(dose)

      # @return [Array<String>] none where it is no session of blocks
      def block_words = protocol.blocks_in_words(dose)

      # @return [String] what a change led to, read out: the plan and what was found, or what is wrong
      def said
        return ["#{words}, #{length}.", *findings.values.flatten.map(&:text)].join(" ") if valid?

        [
          "Correct the marked number.",
          *parts
            .flat_map { |part| part.rows + part.folded }
            .filter_map { |row| "#{row.parameter.words}: #{row.fault}." if row.fault }
            .first(1)
        ].join(" ")
      end

      # @return [String] `16 min 5 s in all, 5 min 35 s held`
      def length
        [
          "#{Words.length(timeline.total_ms / 1000)} in all",
          ("#{Words.length(timeline.hold_ms / 1000)} held" if timeline.holds.any?)
        ].compact.join(", ")
      end

      def line
        @line ||= BreathLine.new(timeline, body, title: "#{protocol.name}: #{words}", forecast: forecast)
      end

      # @return [String] what the model says, or why it says nothing
      def forecast_words = forecast ? ForecastWords.of(forecast) : Forecasts.objection(athlete, on: @today)

      # @return [Array<ForecastWords::Row>]
      def forecast_rows = forecast ? ForecastWords.rows(forecast) : []

      # @return [Hash{Symbol => Array<Protocols::Finding>}] by the number that causes them
      def findings
        @findings ||=
          if valid?
            Protocols::Findings
              .of(composition)
              .group_by(&:key)
              .then { |found| cut ? found.merge(cut.key => [cut, *found[cut.key]]) : found }
          else
            {}
          end
      end

      def cautions = protocol.cautions

      # The same dose is composed again and again while somebody changes something else.
      SILENCES = BoundedCache.new(200)
      private_constant :SILENCES

      # @return [Array<String>] what nobody could tell apart with closed eyes, a sentence each
      def silences
        return [] unless valid?

        SILENCES.fetch([protocol.id, dose]) do
          Spoken
            .of(timeline, calls: protocol.calls(dose))
            .impossible
            .map { |one| "#{one.because.capitalize}." }
            .uniq
            .freeze
        end
      end

      def screening
        return [] unless athlete && valid?

        screen = athlete.to_screen(on: @today)
        protocol
          .columns(dose)
          .map { |column| screen.finding(column, on: @today) }
          .reject { |one| one.state == :open }
          .flat_map(&:reasons)
          .uniq
      end

      private

      def measures = @measures ||= athlete ? athlete.to_values : Nobody::MEASURES

      def timeline = @timeline ||= protocol.compile(dose, body)

      def composition
        Protocols::Composition.new(
          protocol: protocol, dose: dose, timeline: timeline, forecast: forecast, measures: measures
        )
      end

      def body =
        @body ||=
          if athlete
            athlete.to_body(on: @today, posture: protocol.posture)
          else
            Nobody::BODY.with(posture: protocol.posture)
          end

      def forecast
        return @forecast if defined?(@forecast)

        @forecast = model&.forecast(timeline.segments, trace: true, before: timeline.before)
      end

      def model
        return Forecasts.model(athlete, on: @today, posture: protocol.posture) if athlete

        Physiology::Model.new(body, control_pause_s: Nobody::MEASURES.control_pause_s)
      end
    end
  end
end
