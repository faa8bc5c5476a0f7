# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # One dose in the composer, a family's or a block's: every number with what is found about it; what few change
    # folded.
    class ComposerPart
      extend Forwardable

      attr_reader :form, :block

      def_delegators :single_rounds, :breaks, :breaks_fault, :breaks_open?
      def_delegators :own_words, :said, :moments, :moments_fault, :said_open?

      # @param form [Forms::BlocksForm]
      # @param touched [String, nil] key of the block that a button was about
      # @param focus [Boolean] the keyboard stands there
      # @return [Array<ComposerPart>] one a block
      def self.of_blocks(form, touched:, focus:, **whose)
        form.parts.map.with_index(1) do |block, place|
          new(
            block.form,
            **whose,
            block: block,
            place: place,
            count: form.parts.size,
            touched: touched,
            focused: focus && touched == block.key
          )
        end
      end

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

      # @return [Array<ComposerRow>] the numbers that everybody sets
      def rows = protocol.parameters.reject(&:folded).map { |parameter| row(parameter) }

      # @return [Array<ComposerRow>] those under *More*
      def folded = protocol.parameters.select(&:folded).map { |parameter| row(parameter) }

      # @return [Boolean] something under *More* is not as usual, or faulty
      def more_open? = folded.any? { |row| row.fault || form.dose.key?(row.parameter.key) }

      # @return [String] for the label's target
      def self.id_of(name) = name.delete("]").tr("[", "-")

      def id_of(name) = self.class.id_of(name)

      private

      def row(parameter)
        name = form.name_of("dose", parameter.key)
        ComposerRow.new(
          parameter: parameter,
          name: name,
          id: id_of(name),
          typed: form.typed_number(parameter.key),
          fault: form.fault(name),
          hint: hint.of(parameter),
          findings: @findings.fetch(parameter.key, []),
          unset: hint.unset(parameter)
        )
      end

      def hint = @hint ||= ComposerHint.new(form, @athlete, @measures)

      def single_rounds = @single_rounds ||= ComposerBreaks.new(form)

      def own_words = @own_words ||= ComposerWords.new(form)
    end
  end
end
