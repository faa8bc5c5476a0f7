# frozen_string_literal: true

require "csv"

module Windlass
  module Formats
    module OximeterCsv
      # A trace that an oximeter recorded, as CSV (RFC 4180): a heading, then time, saturation, pulse. Time is seconds,
      # `mm:ss` or `hh:mm:ss`; it is counted from the first line where it does not begin at the session's start.
      module Reader
        COLUMNS = %w[time saturation pulse].freeze
        SATURATION_PERCENT = (30..100)
        PULSE = (20..250)
        MOST_LINES = 50_000
        MOST_FAULTS = 20

        # @param text [String]
        # @return [Array<Sample>] in order of time; seconds, 0..1, beats a minute or nil where the device lost it
        # @raise [InvalidInput] one line a fault
        def self.read(text)
          table =
            CSV.parse(
              text.delete_prefix("\uFEFF"),
              headers: true,
              skip_blanks: true,
              header_converters: ->(name) { name.to_s.strip.downcase }
            )
          refuse_table(table)
          faults = []
          samples = table.each.with_index(2).filter_map { |row, line| sample(row, line, faults) }
          faults << "trace: no line with a reading" if samples.empty? && faults.empty?
          faults.concat((samples.empty? || faults.any?) ? [] : time_faults(table))
          raise InvalidInput, faults.first(MOST_FAULTS) if faults.any?

          samples
        rescue CSV::MalformedCSVError => error
          raise InvalidInput, ["trace: is not CSV (#{error.message})"]
        end

        def self.refuse_table(table)
          missing = COLUMNS - table.headers.compact
          if missing.any?
            raise InvalidInput, ["trace: column missing: #{missing.join(", ")}; needed: #{COLUMNS.join(", ")}"]
          end
          return if table.size <= MOST_LINES

          raise InvalidInput, ["trace: #{table.size} lines are not allowed; allowed: up to #{MOST_LINES}"]
        end

        # Times run on, and no device reads more often than this.
        MOST_A_SECOND = 20

        def self.time_faults(table)
          times = table.each.with_index(2).map { |row, line| [seconds(row["time"].to_s.strip), line] }.select(&:first)
          backwards =
            times
              .each_cons(2)
              .select { |(before, _), (after, _)| after < before }
              .map { |_, (_, line)| "line #{line}: time runs backwards; allowed: in order of time" }
          crowded =
            times
              .slice_when { |(one, _), (other, _)| one.floor != other.floor }
              .find { |second| second.size > MOST_A_SECOND }
          backwards.first(MOST_FAULTS) +
            [
              *(
                if crowded
                  "line #{crowded[MOST_A_SECOND].last}: #{crowded.size} readings in one second; allowed: up to " \
                  "#{MOST_A_SECOND}"
                end
              )
            ]
        end

        # Lines on which the device had no reading are passed over.
        def self.sample(row, line, faults)
          return if row["saturation"].to_s.strip.empty?

          t = seconds(row["time"].to_s.strip)
          saturation = number(row["saturation"])
          pulse = number(row["pulse"])
          if t.nil?
            faults << "line #{line}: time #{Error.shown(row["time"])} is not allowed; allowed: seconds, mm:ss or " \
              "hh:mm:ss"
          end
          faults << fault(line, "saturation", row, SATURATION_PERCENT) unless SATURATION_PERCENT.cover?(saturation)
          faults << fault(line, "pulse", row, PULSE) unless row["pulse"].to_s.strip.empty? || PULSE.cover?(pulse)
          Sample.new(t: t, saturation: saturation / 100.0, pulse: pulse) if t && saturation
        end

        def self.fault(line, name, row, range) =
          "line #{line}: #{name} #{Error.shown(row[name])} is not allowed; allowed: #{range.begin} to #{range.end}"

        def self.number(text) = Float(text.to_s.strip.delete_suffix("%"), exception: false)

        def self.seconds(text)
          return Float(text) if text.match?(/\A\d+(\.\d+)?\z/)
          return unless text.match?(/\A(\d+:)?\d{1,2}:\d{2}(\.\d+)?\z/)

          text.split(":").reduce(0) { |total, part| total * 60 + Float(part) }
        end
        private_class_method :refuse_table, :time_faults, :sample, :fault, :number, :seconds
      end
    end
  end
end
