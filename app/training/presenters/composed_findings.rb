# frozen_string_literal: true

module Windlass
  module Presenters
    # What is found about a composed dose, each beside the number that causes it, and what the ear could not tell.
    class ComposedFindings
      # @param form [Forms::Composed] that is valid
      # @param dose [Hash] with what the gas model sets of it
      # @param drawn [DrawnDose]
      # @param measures [Measures::Values]
      def initialize(form, dose, drawn, measures)
        @form = form
        @protocol = form.protocol
        @dose = dose
        @drawn = drawn
        @measures = measures
      end

      # @return [Hash{Symbol => Array<Protocols::Finding>}] by the number that causes them
      def findings
        @findings ||=
          Protocols::Findings
            .of(composition)
            .group_by(&:key)
            .then { |found| cut ? found.merge(cut.key => [cut, *found[cut.key]]) : found }
      end

      # The same dose is composed again and again while somebody changes something else.
      SILENCES = BoundedCache.new(200)
      private_constant :SILENCES

      # @return [Array<String>] what nobody could tell apart with closed eyes, a sentence each
      def silences
        SILENCES.fetch([@protocol.id, @dose]) do
          Spoken
            .of(@drawn.timeline, calls: @protocol.calls(@dose))
            .impossible
            .map { |one| "#{one.because.capitalize}." }
            .uniq
            .freeze
        end
      end

      private

      # @return [Protocols::Finding, nil] a hold that the gas model cuts
      def cut
        words = @protocol.cut_words(@form.dose, @dose)
        Protocols::Finding.new(key: @form.dose.key?(:hold_s) ? :hold_s : :cap_s, level: :danger, text: words) if words
      end

      def composition
        Protocols::Composition.new(
          protocol: @protocol, dose: @dose, timeline: @drawn.timeline, forecast: @drawn.forecast, measures: @measures
        )
      end
    end
  end
end
