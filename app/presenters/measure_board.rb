# frozen_string_literal: true

module Windlass
  module Presenters
    # All measures of an athlete, kind by kind, each with its history.
    class MeasureBoard
      Entry = Value.define(:kind, :newest, :reading, :chart, :rows)
      Row = Value.define(:day, :value, :uuid)

      attr_reader :athlete

      # @param athlete [Records::Athlete]
      def initialize(athlete, now:)
        @athlete = athlete
        @today = now.to_date
      end

      # @return [Array<Entry>]
      def entries = Measures::KINDS.map { |kind| entry(kind, measures.fetch(kind.id, [])) }

      # @return [Array<Records::Measure>] that can be brought back
      def discarded = Records::Measure.discarded.where(athlete_id: athlete.id).order(taken_at: :desc).to_a

      # @return [String] the newest control pause, in words
      def control_pause
        newest = athlete.measures.where(kind: "control_pause").order(:taken_at).last
        newest ? AthleteSheet.reading(newest).headline : "Not taken yet."
      end

      private

      def measures = @measures ||= athlete.measures.where.not(kind: "control_pause").order(:taken_at).group_by(&:kind)

      def entry(kind, records)
        taken = records.map(&:to_taken)
        sheet = records.any? ? MeasureSheet.new(records.last) : nil
        Entry.new(
          kind: kind,
          newest: taken.last && Dates.opening(taken.last.taken_at.to_date, @today),
          reading: sheet&.reading,
          chart: (taken.size > 1) ? MeasureChart.new(taken, kind) : nil,
          rows:
            records
              .last(6)
              .reverse
              .map do |one|
                Row.new(
                  day: Dates.short(one.taken_at.getlocal.to_date),
                  value: kind.value_words(one.value),
                  uuid: one.uuid
                )
              end
        )
      end
    end

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
