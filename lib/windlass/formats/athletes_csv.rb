# frozen_string_literal: true

module Windlass
  module Formats
    # Athletes, one a row, as a coach has them in a spreadsheet.
    class AthletesCsv < TableCsv
      about name: "athletes",
        most: 500,
        needed: %i[name date sex height_cm mass_kg],
        columns: {
          name: %w[name athlete who],
          date: %w[born born_on birthday date_of_birth],
          sex: %w[sex gender],
          height_cm: %w[height height_cm cm],
          mass_kg: %w[mass mass_kg weight weight_kg kg],
          vital_capacity_l: %w[vital_capacity vital_capacity_l],
          resting_pulse: %w[pulse resting_pulse],
          disciplines: %w[disciplines discipline does],
          notes: %w[notes note remark]
        }
      SEXES = {
        "f" => "female", "w" => "female", "female" => "female", "woman" => "female", "m" => "male", "male" => "male",
        "man" => "male"
      }.freeze

      # fields: what the form of an athlete would have been sent.
      Row = Value.define(:number, :name, :fields, :faults)

      private

      def days = Bounds.born(@today)

      def read(row, number)
        born, fault = day(row)
        given =
          %i[name height_cm mass_kg vital_capacity_l resting_pulse notes].to_h { |key| [key.to_s, cell(row, key)] }
        disciplines = cell(row, :disciplines).downcase.split(%r{[;,/+]}).map(&:strip).reject(&:empty?)
        Row.new(
          number: number,
          name: cell(row, :name),
          faults: [fault].compact,
          fields:
            given.merge(
              "born_on" => born&.iso8601,
              "sex" => SEXES.fetch(cell(row, :sex).downcase, cell(row, :sex)),
              "disciplines" => disciplines
            )
        )
      end
    end
  end
end
