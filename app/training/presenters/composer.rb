# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # A dose while it is being composed: every number with what is found about it, the line, the strips, the margins.
    class Composer
      extend Forwardable

      attr_reader :form, :athlete, :own

      def_delegators :form, :protocol, :valid?
      def_delegators :drawn, :line, :forecast_rows, :block_words
      def_delegators :whom, :measures
      def_delegators :prescribed_to, :running, :ends_words, :barred, :waits_for, :screening

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

      def title = own ? own.name : protocol.name

      def whose = whom.name

      # @return [Boolean] the keyboard stands where a block is added
      def goes_on? = blank? || @goes_on

      # @return [Boolean] a session of several blocks
      def blocks? = protocol.is_a?(Protocols::Blocks)

      # @return [Array<ComposerPart>] one for a family, one a block for a session of blocks
      def parts
        whose = {athlete: athlete, measures: measures}
        return [ComposerPart.new(form, findings: findings, **whose)] unless blocks?

        ComposerPart.of_blocks(form, touched: @touched, focus: !goes_on?, **whose)
      end

      # @return [Hash{String => Array}] what a new block may be: families, and what the coach has kept
      def addable =
        {
          "Families" => Protocols::ALL.map { |one| [one.id, one.name] },
          "Your own" => @kept.map { |own| ["own:#{own.id}", own.name] }
        }.reject { |_, list| list.empty? }

      # @return [Array<Protocols::Finding>] that are about the whole
      def whole_findings = blocks? ? findings.values.flatten : []

      def blank? = blocks? && form.empty?

      # @return [Hash] the dose, with what the gas model sets of it
      def dose = @dose ||= protocol.fitted(form.dose, whom.body)

      def words = protocol.in_words(dose)

      def heading = protocol.heading(dose)

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
      def length = ["#{drawn.length} in all", drawn.held].compact.join(", ")

      # @return [String] what the model says, or why it says nothing
      def forecast_words = drawn.forecast_words || whom.objection

      # @return [Hash{Symbol => Array<Protocols::Finding>}] by the number that causes them
      def findings = found ? found.findings : {}

      # @return [Array<String>] what nobody could tell apart with closed eyes, a sentence each
      def silences = found ? found.silences : []

      def cautions = protocol.cautions

      private

      def whom = @whom ||= ComposedWhom.new(athlete, protocol, @today)

      def prescribed_to = @prescribed_to ||= ComposedFor.new(athlete, form, (dose if valid?), @today)

      def found
        return unless valid?

        @found ||= ComposedFindings.new(form, dose, drawn, measures)
      end

      def drawn
        @drawn ||=
          DrawnDose.new(protocol, dose, whom.body, title: "#{protocol.name}: #{words}") do |timeline|
            whom.forecast(timeline)
          end
      end
    end
  end
end
