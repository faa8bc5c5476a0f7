# frozen_string_literal: true

module Windlass
  module Presenters
    # One dose in the composer, a family's or a block's: every number with what is found about it; what few change
    # folded.
    class ComposerPart
      # unset: what is true where nothing is chosen.
      Row =
        Value.define(:parameter, :name, :id, :typed, :fault, :hint, :findings, :unset) do
          def step = parameter.step

          def min = parameter.range&.begin

          def max = parameter.range&.end

          # @return [Hash] values and words to choose from; nothing chosen is among them where a dose may do without
          def options = parameter.options && (parameter.unset ? {"" => unset} : {}).merge(parameter.options)
        end
      Said = Value.define(:words, :name, :id, :typed, :fault)
      BLANK_BREAKS = 2

      attr_reader :form, :block

      # @param form [Forms::DoseForm]
      # @param findings [Hash{Symbol => Array<Protocols::Finding>}] by the number that causes them
      # @param block [Forms::BlocksForm::Part, nil] where it is one
      # @param place [Integer] among the blocks, from 1
      # @param touched [String, nil] key of the block that a button was about
      # @param focused [Boolean] it is this one, and the keyboard stands there
      def initialize(form, athlete:, measures:, findings: {}, block: nil, place: 1, count: 1, touched: nil,
        focused: false)
        @form = form
        @athlete = athlete
        @measures = measures
        @findings = findings
        @block = block
        @place = place
        @count = count
        @touched = touched
        @focused = focused
      end

      attr_reader :place

      def protocol = form.protocol

      def heading = "#{place}. #{protocol.name}"

      # @return [String] the dose in words, where every number is one that is allowed
      def words = form.valid? ? protocol.in_words(form.dose) : "Correct the marked number"

      # @return [Hash{Symbol => String}] what a series of it may go through
      def series_choices = Forms::BlockSeries.choices(protocol).to_h { |one| [one.key, one.words] }

      def first? = place == 1

      def last? = place == @count

      # @return [Boolean] what a button was just about, or what has a fault, stands open
      def open? = @count == 1 || touched? || block&.errors.to_h.any?

      # @return [Boolean] the keyboard stands there
      def focused? = @focused

      def touched? = !block.nil? && @touched == block.key

      # @return [Array<Row>] the numbers that everybody sets
      def rows = protocol.parameters.reject(&:folded).map { |parameter| row(parameter) }

      # @return [Array<Row>] those under *More*
      def folded = protocol.parameters.select(&:folded).map { |parameter| row(parameter) }

      # @return [Boolean] something under *More* is not as usual, or faulty
      def more_open? = folded.any? { |row| row.fault || form.dose.key?(row.parameter.key) }

      # @return [Array<Hash>] rows of rounds that break the pattern, and room for more
      def breaks
        rows = form.typed["breaks"].values.grep(Hash).reject { |row| row.values.all? { |text| text.to_s.strip.empty? } }
        rows + Array.new(BLANK_BREAKS) { {} }
      end

      def breaks_fault = form.fault(form.name_of("breaks"))

      def breaks_open? = breaks.size > BLANK_BREAKS || !breaks_fault.nil?

      # @return [Array<Said>] the coach's own words, by part, and a note
      def said
        {**Timeline::Said::PARTS.transform_values(&:first), Timeline::Said::NOTE => "note"}.map do |key, words|
          name = form.name_of("said", key)
          Said.new(
            words: words,
            name: name,
            id: id_of(name),
            typed: form.typed["said"][key.to_s],
            fault: form.fault(name)
          )
        end
      end

      MOMENT_ROWS = 2

      # @return [Array<Hash>] `at` and `words` of what is said at a moment, and room for more
      def moments
        typed = form.typed["said"]["moments"]
        rows = typed.is_a?(Hash) ? typed.values.grep(Hash) : []
        rows.reject { |row| row.values.all? { |text| text.to_s.strip.empty? } } + Array.new(MOMENT_ROWS) { {} }
      end

      def moments_fault = form.fault(form.name_of("said", "moments"))

      def said_open? =
        moments.size > MOMENT_ROWS || !moments_fault.nil? || said.any? { |one| one.fault || !one.typed.to_s.empty? }

      # @return [String] for the label's target
      def id_of(name) = name.delete("]").tr("[", "-")

      private

      def row(parameter)
        name = form.name_of("dose", parameter.key)
        Row.new(
          parameter: parameter,
          name: name,
          id: id_of(name),
          typed: form.typed_number(parameter.key),
          fault: form.fault(name),
          hint: hint(parameter),
          findings: @findings.fetch(parameter.key, []),
          unset: unset(parameter)
        )
      end

      # @return [String, nil] `as the stage says: throat lock`
      def unset(parameter) =
        [parameter.unset, (protocol.unset_words(parameter, form.dose) if form.valid?)].compact
          .join(": ")
          .then { |words| words unless words.empty? }

      # A count is a second, a beat or a heartbeat; the last two are typed as so many a minute.
      # @return [String, nil] nil where one chooses
      def hint(parameter)
        return if parameter.options

        steps = "in steps of #{Words.number(parameter.step)}" if parameter.step && !parameter.numbers
        pulse = @athlete&.resting_pulse
        beats = pulse ? "or the heartbeat: #{pulse}/min at rest" : "or beats: 72/min"
        [parameter.allowed, steps, (beats if parameter.unit == :count_s), prescribable(parameter)].compact.join(", ")
      end

      # How far it may be prescribed to this athlete, beside how far it may be composed.
      # @return [String, nil]
      def prescribable(parameter)
        lever = protocol.levers.find { |one| one.key == parameter.key }
        return if @athlete.nil? || lever.nil? || protocol.lacking(@measures) || parameter.numbers

        limit = lever.limit_for(@measures, @athlete.switches, dose: form.dose)
        return if limit.nil?

        "prescribed #{(lever.harder == :up) ? "up to" : "down to"} " \
        "#{Forms::TypedNumbers.show(limit, parameter)}#{" (#{lever.limit_words})" if lever.limit_words}"
      end
    end
  end
end
