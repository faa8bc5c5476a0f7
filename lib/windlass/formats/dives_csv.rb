# frozen_string_literal: true

module Windlass
  module Formats
    # Dives, one a row.
    class DivesCsv < TableCsv
      about name: "dives",
        needed: %i[athlete date seconds],
        columns: {
          athlete: %w[athlete name who diver],
          date: %w[under down date],
          seconds: %w[seconds length_s],
          depth_m: %w[depth_m depth],
          hard: %w[hard],
          signs: %w[signs],
          buddy: %w[with buddy],
          weight_kg: %w[weight_kg weight],
          line: %w[line],
          note: %w[note notes remark],
          id: %w[dive]
        }

      NO_MOMENT = "is no moment; one is written 2026-03-31T07:30:00Z"

      # fields: what the surface clock would have sent.
      Row = Value.define(:number, :athlete, :fields, :id, :faults)

      private

      def read(row, number)
        down = moment(cell(row, :date))
        fields =
          %i[seconds depth_m signs buddy weight_kg note]
            .to_h { |key| [key.to_s, cell(row, key)] }
            .merge("hard" => yes?(row, :hard), "line" => yes?(row, :line), "down_ms" => down && (down.to_r * 1000).to_i)
        Row.new(
          number: number,
          athlete: cell(row, :athlete),
          fields: fields,
          id: cell(row, :id),
          faults: down ? [] : ["column #{columns[:date]}: “#{cell(row, :date)}” #{NO_MOMENT}"]
        )
      end
    end
  end
end
