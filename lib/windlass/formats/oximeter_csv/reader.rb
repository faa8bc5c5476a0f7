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

        # One line as it stands there. t: its time in seconds, nil where that can not be read.
        Line = Value.define(:number, :t, :time, :saturation, :pulse)
        private_constant :Line

        # @param text [String]
        # @return [Array<Sample>] in order of time; seconds, 0..1, beats a minute or nil where the device lost it
        # @raise [InvalidInput] one line a fault
        def self.read(text)
          heading, *rows = CSV.parse(text.delete_prefix("\uFEFF"), skip_blanks: true)
          lines = lines(heading.to_a.map { |name| name.to_s.strip.downcase }, rows)
          faults = []
          samples = lines.filter_map { |line| sample(line, faults) }
          faults << "trace: no line with a reading" if samples.empty? && faults.empty?
          faults.concat((samples.empty? || faults.any?) ? [] : time_faults(lines))
          raise InvalidInput, faults.first(MOST_FAULTS) if faults.any?

          samples
        rescue CSV::MalformedCSVError => error
          raise InvalidInput, ["trace: is not CSV (#{error.message})"]
        end

        # @param heading [Array<String>]
        # @param rows [Array<Array<String>>]
        # @return [Array<Line>]
        def self.lines(heading, rows)
          missing = COLUMNS - heading
          if missing.any?
            raise InvalidInput, ["trace: column missing: #{missing.join(", ")}; needed: #{COLUMNS.join(", ")}"]
          end
          if rows.size > MOST_LINES
            raise InvalidInput, ["trace: #{rows.size} lines are not allowed; allowed: up to #{MOST_LINES}"]
          end

          places = COLUMNS.map { |name| heading.index(name) }
          rows.map.with_index(2) do |row, number|
            time, saturation, pulse = row.values_at(*places).map { |cell| cell.to_s.strip }
            Line.new(number: number, t: seconds(time), time: time, saturation: saturation, pulse: pulse)
          end
        end

        # Times run on, and no device reads more often than this.
        MOST_A_SECOND = 20

        def self.time_faults(lines)
          timed = lines.select(&:t)
          backwards =
            timed
              .each_cons(2)
              .select { |before, after| after.t < before.t }
              .map { |_, after| "line #{after.number}: time runs backwards; allowed: in order of time" }
          crowded =
            timed
              .slice_when { |one, other| one.t.floor != other.t.floor }
              .find { |second| second.size > MOST_A_SECOND }
          backwards.first(MOST_FAULTS) +
            [
              *(
                if crowded
                  "line #{crowded[MOST_A_SECOND].number}: #{crowded.size} readings in one second; allowed: up to " \
                  "#{MOST_A_SECOND}"
                end
              )
            ]
        end

        # Lines on which the device had no reading are passed over.
        def self.sample(line, faults)
          return if line.saturation.empty?

          saturation = number(line.saturation)
          pulse = number(line.pulse)
          if line.t.nil?
            faults << "line #{line.number}: time #{Error.shown(line.time)} is not allowed; allowed: seconds, " \
              "mm:ss or hh:mm:ss"
          end
          faults << fault(line, :saturation, SATURATION_PERCENT) unless SATURATION_PERCENT.cover?(saturation)
          faults << fault(line, :pulse, PULSE) unless line.pulse.empty? || PULSE.cover?(pulse)
          Sample.new(t: line.t, saturation: saturation / 100.0, pulse: pulse) if line.t && saturation
        end

        def self.fault(line, name, range) =
          "line #{line.number}: #{name} #{Error.shown(line.public_send(name))} is not allowed; allowed: " \
          "#{range.begin} to #{range.end}"

        def self.number(text) = Float(text.delete_suffix("%"), exception: false)

        def self.seconds(text)
          return Float(text) if text.match?(/\A\d+(\.\d+)?\z/)
          return unless text.match?(/\A(\d+:)?\d{1,2}:\d{2}(\.\d+)?\z/)

          text.split(":").reduce(0) { |total, part| total * 60 + Float(part) }
        end
        private_class_method :lines, :time_faults, :sample, :fault, :number, :seconds
      end
    end
  end
end
