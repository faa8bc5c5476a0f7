# frozen_string_literal: true

module Windlass
  module Presenters
    # A table from elsewhere before it is kept: all that is wrong, and as much of the rest as a page can bear.
    class TablePreview
      MOST_SHOWN = 200

      Line = Value.define(:number, :athlete, :state, :what, :day, :amount, :words)

      attr_reader :rows

      # @param rows [Array<Actions::ReadTable::Row>]
      # @param asks_order [Boolean] days may be read in two ways
      def self.of(rows, asks_order:)
        shown = rows.sort_by { |row| [(row.state == :wrong) ? 0 : 1, row.number] }.first(MOST_SHOWN)
        lines =
          shown.map do |row|
            Line.new(
              number: row.number,
              athlete: row.athlete,
              state: row.state,
              what: row.what,
              day: row.day && Words.date(row.day),
              amount: row.amount,
              words: row.words
            )
          end
        new(lines, rows.map(&:state).tally, asks_order)
      end

      # @param plain [Hash] as {#to_h} was written
      def self.from_h(plain)
        rows = plain.fetch("rows").map { |row| Line.new(**row.symbolize_keys, state: row.fetch("state").to_sym) }
        new(rows, plain.fetch("counts").transform_keys(&:to_sym), plain.fetch("asks_order"))
      end

      # @param rows [Array<Line>] what is wrong first
      # @param counts [Hash{Symbol => Integer}] rows of each state
      def initialize(rows, counts, asks_order)
        @rows = rows
        @counts = counts
        @asks_order = asks_order
      end

      # @return [Hash] plain JSON
      def to_h = {rows: rows.map(&:to_h), counts: @counts, asks_order: @asks_order}

      def asks_order? = @asks_order

      def wrong? = count(:wrong) > 0

      def keeps? = !asks_order? && !wrong? && count(:new) > 0

      def headline =
        "#{Words.count(count(:new), "row")} would be kept; #{count(:known)} here already or discarded; " \
        "#{count(:wrong)} wrong."

      # @return [String, nil] that there are more
      def more = @counts.values.sum.then { |all| "And #{all - MOST_SHOWN} more rows like these." if all > MOST_SHOWN }

      def state(row) = {new: "will be kept", known: "here already"}.fetch(row.state, row.words)

      private

      def count(state) = @counts.fetch(state, 0)
    end
  end
end
