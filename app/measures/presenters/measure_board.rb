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
        newest ? AthletePauses.reading(newest).headline : "Not taken yet."
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
  end
end
