# frozen_string_literal: true

module Windlass
  module Presenters
    # A dose while it is being composed: every number with what is found about it, the line, the strips, the margins.
    class Composer
      Row = Value.define(:parameter, :typed, :fault, :hint, :step, :min, :max)
      BLANK_BREAKS = 2

      attr_reader :form, :athlete, :own

      # @param form [Forms::DoseForm]
      # @param athlete [Records::Athlete, nil]
      # @param own [Records::OwnProtocol, nil] that is being changed
      def initialize(form, today:, athlete: nil, own: nil)
        @form = form
        @athlete = athlete
        @own = own
        @today = today
      end

      def protocol = form.protocol

      def title = own ? own.name : protocol.name

      def whose = athlete ? athlete.name : "nobody: reckoned with #{Nobody::WORDS}"

      # @return [Array<Row>]
      def rows
        protocol.parameters.map do |parameter|
          Row.new(parameter: parameter, typed: form.typed_at("dose[#{parameter.key}]"), fault: form.fault("dose[#{parameter.key}]"),
            hint: hint(parameter),
            step: parameter.step, min: parameter.range&.begin, max: parameter.range&.end)
        end
      end

      # @return [Array<Hash>] rows of rounds that break the pattern, and room for more
      def breaks
        typed = form.typed["breaks"]
        rows = typed.is_a?(Hash) ? typed.values.grep(Hash).reject { |row| row.values.all? { |text| text.to_s.strip.empty? } } : []
        rows + Array.new(BLANK_BREAKS) { {} }
      end

      def valid? = form.valid?

      # @return [Hash] the dose, with what the gas model sets of it
      def dose = @dose ||= protocol.fitted(form.dose, body)

      def words = protocol.in_words(dose)

      # @return [String] `16 min 5 s in all, 5 min 35 s held`
      def length
        ["#{Words.length(timeline.total_ms / 1000)} in all", ("#{Words.length(timeline.hold_ms / 1000)} held" if timeline.holds.any?)].compact.join(", ")
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
        @findings ||= valid? ? Protocols::Findings.of(composition).group_by(&:key) : {}
      end

      def cautions = protocol.cautions

      def screening
        return [] unless athlete && valid?

        screen = athlete.to_screen(on: @today)
        protocol.columns(dose).map { |column| screen.finding(column, on: @today) }.reject { |one| one.state == :open }.flat_map(&:reasons).uniq
      end

      private

      # A count is a second, a beat or a heartbeat; the last two are typed as so many a minute.
      # @return [String, nil] nil where one chooses
      def hint(parameter)
        return if parameter.options

        steps = "in steps of #{Words.number(parameter.step)}" if parameter.step && !parameter.numbers
        pulse = athlete&.resting_pulse
        beats = pulse ? "or the heartbeat: #{pulse}/min at rest" : "or beats: 72/min"
        [parameter.allowed, steps, (beats if parameter.unit == :count_s), prescribable(parameter)].compact.join(", ")
      end

      # How far it may be prescribed to this athlete, beside how far it may be composed.
      # @return [String, nil]
      def prescribable(parameter)
        lever = protocol.levers.find { |one| one.key == parameter.key }
        return if athlete.nil? || lever.nil? || protocol.lacking(measures) || parameter.numbers

        limit = lever.limit_for(measures)
        return if limit.nil?

        "prescribed #{(lever.harder == :up) ? "up to" : "down to"} #{Forms::TypedNumbers.show(limit, parameter)}#{" (#{lever.limit_words})" if lever.limit_words}"
      end

      def measures = @measures ||= athlete ? athlete.to_values : Nobody::MEASURES

      def timeline = @timeline ||= protocol.compile(dose, body)

      def composition
        Protocols::Composition.new(protocol: protocol, dose: dose, timeline: timeline, forecast: forecast,
          measures: measures)
      end

      def body = @body ||= athlete ? athlete.to_body(on: @today, posture: protocol.posture) : Nobody::BODY.with(posture: protocol.posture)

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
