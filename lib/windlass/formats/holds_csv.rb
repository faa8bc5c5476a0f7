# frozen_string_literal: true

module Windlass
  module Formats
    # Holds, one a row. Those of one session, or of one athlete, protocol and day, are one session.
    class HoldsCsv < TableCsv
      about name: "holds",
        needed: %i[athlete date hold held_s],
        columns: {
          athlete: %w[athlete name who],
          protocol: %w[protocol what exercise],
          date: %w[date day when],
          hold: %w[hold number round],
          held_s: %w[held_s],
          skipped: %w[skipped],
          urge_s: %w[first_urge_s urge_s],
          contraction_s: %w[contraction_s],
          first_breath: %w[first_breath],
          sao2_low: %w[sao2_low],
          id: %w[session]
        }
      LOW = 0.3..1.0
      NUMBERS = 1..1000

      private

      # A session a row, as a notebook has them.
      def numbered =
        @table.each.with_index(2).group_by { |row, _| %i[id athlete protocol date].map { |key| cell(row, key) } }.values

      def read(held)
        first, number = held.first
        date, fault = day(first)
        rounds = held.map { |row, line| round(row, line) }
        faults = [fault, *rounds.grep(String), *number_faults(held)].compact
        if faults.empty?
          entry =
            Log::Entry.new(date: date, at: nil, rounds: rounds, effort: nil, symptoms: [], note: "")
        end
        NotebookCsv::Row.new(
          number: number,
          athlete: cell(first, :athlete),
          protocol: cell(first, :protocol),
          entry: entry,
          faults: faults,
          id: cell(first, :id)
        )
      end

      # Each hold of a session has a number of its own.
      def number_faults(held)
        numbers = held.map { |row, _| Integer(cell(row, :hold), 10, exception: false) }
        before = Set.new
        held
          .zip(numbers)
          .filter_map do |(row, line), number|
            next fault(row, line, :hold, "#{NUMBERS.min} to #{NUMBERS.max}") unless number && NUMBERS.cover?(number)

            unless before.add?(number)
              "line #{line}, column #{columns[:hold]}: #{number} is there twice in this session"
            end
          end
      end

      # @return [Log::Round, String] or what is wrong
      def round(row, line)
        times =
          %i[held_s urge_s contraction_s sao2_low].to_h do |key|
            [key, cell(row, key).empty? ? nil : number(cell(row, key)) || (return fault(row, line, key, "a number"))]
          end
        held = times[:held_s].to_f
        return Log::Round.new(held_s: nil, skipped: true) if yes?(row, :skipped) || held.zero?
        unless Log::Line::HELD_S.cover?(held)
          return fault(row, line, :held_s, "#{Log::Line::HELD_S.min} to #{Log::Line::HELD_S.max} s")
        end
        if times[:sao2_low] && !LOW.cover?(times[:sao2_low])
          return fault(row, line, :sao2_low, "#{LOW.min} to #{LOW.max}")
        end

        late = %i[urge_s contraction_s].find { |key| times[key] && !(0..held).cover?(times[key]) }
        return fault(row, line, late, "0 to #{Words.number(held)} s, its hold") if late

        breath(row, line) { |value| Log::Round.new(first_breath: value, **times) }
      end

      def breath(row, line)
        written = cell(row, :first_breath).downcase
        return yield(nil) if written.empty?

        value = Log::Line::BREATHS[written]
        value ?
          yield(value) :
          fault(row, line, :first_breath, Log::Line::BREATHS.keys.select { |key| key.length > 1 }.join(", "))
      end

      def fault(row, line, key, allowed) =
        "line #{line}, column #{columns[key]}: #{Error.shown(cell(row, key))} is not allowed; allowed: #{allowed}"
    end
  end
end
