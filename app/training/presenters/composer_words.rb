# frozen_string_literal: true

module Windlass
  module Presenters
    # The coach's own words of a dose, as they are typed: by part, at a moment, and a note.
    class ComposerWords
      Said = Value.define(:words, :name, :id, :typed, :fault)
      MOMENT_ROWS = 2

      # @param form [Forms::DoseForm]
      def initialize(form)
        @form = form
      end

      # @return [Array<Said>] by part, and a note
      def said
        {**Timeline::Said::PARTS.transform_values(&:first), Timeline::Said::NOTE => "note"}.map do |key, words|
          name = @form.name_of("said", key)
          Said.new(
            words: words,
            name: name,
            id: ComposerPart.id_of(name),
            typed: @form.typed["said"][key.to_s],
            fault: @form.fault(name)
          )
        end
      end

      # @return [Array<Hash>] `at` and `words` of what is said at a moment, and room for more
      def moments
        typed = @form.typed["said"]["moments"]
        rows = typed.is_a?(Hash) ? typed.values.grep(Hash) : []
        rows.reject { |row| row.values.all? { |text| text.to_s.strip.empty? } } + Array.new(MOMENT_ROWS) { {} }
      end

      def moments_fault = @form.fault(@form.name_of("said", "moments"))

      def said_open? =
        moments.size > MOMENT_ROWS || !moments_fault.nil? || said.any? { |one| one.fault || !one.typed.to_s.empty? }
    end
  end
end
