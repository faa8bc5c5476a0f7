# frozen_string_literal: true

module Windlass
  module Presenters
    # Single rounds that leave the pattern, as they are typed, and room for more.
    class ComposerBreaks
      BLANK = 2

      # @param form [Forms::DoseForm]
      def initialize(form)
        @form = form
      end

      # @return [Array<Hash>]
      def breaks
        rows = @form.typed["breaks"].values.grep(Hash).reject { |row|
          row.values.all? { |text|
            text.to_s.strip.empty?
          }
        }
        rows + Array.new(BLANK) { {} }
      end

      def breaks_fault = @form.fault(@form.name_of("breaks"))

      def breaks_open? = breaks.size > BLANK || !breaks_fault.nil?
    end
  end
end
