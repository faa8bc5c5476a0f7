# frozen_string_literal: true

module Windlass
  module Formats
    # Measures, one a row: a control pause or another kind, its value, and what else was noted as `first_urge_s=40;
    # eventful=no`.
    class MeasuresCsv < TableCsv
      about name: "measures",
        needed: %i[athlete date kind value],
        columns: {
          athlete: %w[athlete name who],
          date: %w[taken date day when],
          kind: %w[kind measure_kind],
          value: %w[value score seconds],
          on_waking: %w[on_waking waking],
          ended_by: %w[ended_by],
          first_breath: %w[first_breath],
          details: %w[details],
          note: %w[note notes remark],
          id: %w[measure]
        }

      # fields: what a form of that kind would have been sent. at [Time, nil] where the hour is known.
      Row = Value.define(:number, :athlete, :kind, :fields, :at, :id, :faults)

      private

      def read(row, number)
        date, fault = day(row)
        fields = {"taken_on" => date&.iso8601, "note" => cell(row, :note), **said(row), **own(row)}
        Row.new(
          number: number,
          athlete: cell(row, :athlete),
          kind: cell(row, :kind).downcase.tr(" ", "_"),
          fields: fields,
          at: moment(cell(row, :date)),
          id: cell(row, :id),
          faults: [fault].compact
        )
      end

      # A control pause has columns of its own.
      def own(row) =
        {
          "seconds" => cell(row, :value),
          "ended_by" => cell(row, :ended_by),
          "first_breath" => cell(row, :first_breath),
          "on_waking" => cell(row, :on_waking)
        }.reject { |_, value| value.empty? }

      def said(row) = cell(row, :details).split(";").to_h { |one| one.split("=", 2).map(&:strip).values_at(0, 1) }
    end
  end
end
