# frozen_string_literal: true

module Windlass
  module Presenters
    # One measure, read in words.
    class MeasureSheet
      attr_reader :measure

      # @param measure [Records::Measure]
      def initialize(measure)
        @measure = measure
      end

      def kind = measure.to_kind

      def athlete = measure.athlete

      def title = "#{kind.name}, #{athlete.name}"

      def when = Dates.long(measure.taken_at.getlocal.to_date)

      # @return [Measures::Reading]
      def reading
        @reading ||=
          kind.read(
            measure.to_taken,
            Measures::ReadingContext.new(
              earlier: history[0...-1],
              maximal_hold_s: athlete.to_values.maximal_hold_s,
              disciplines: athlete.disciplines
            )
          )
      end

      def chart = MeasureChart.new(history, kind)

      # @return [Array<Array(String, String)>] what was asked, and what was said
      def details
        taken = measure.to_taken
        kind.fields.filter_map do |field|
          value = taken.details[field.key]
          [field.words, field.in_words(value)] unless value.nil?
        end
      end

      def note = measure.note

      def corrections = Corrections.of(measure)

      private

      # Up to this one, in order of time.
      def history
        @history ||=
          athlete.measures.where(kind: measure.kind, taken_at: ..measure.taken_at).order(:taken_at, :id).map(&:to_taken)
      end
    end
  end
end
