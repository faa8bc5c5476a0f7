# frozen_string_literal: true

module Windlass
  module Presenters
    # A table from elsewhere before it is kept: all that is wrong, and as much of the rest as a page can bear.
    class TablePreview
      MOST_SHOWN = 200

      attr_reader :order, :text, :path, :back

      # @param rows [Array<Actions::ReadTable::Row>]
      # @param asks_order [Boolean] days may be read in two ways
      # @param text [String] as it came, to be sent again
      # @param path [String] to which it is sent again
      # @param back [String] where one goes who leaves it
      def initialize(rows, asks_order:, order:, text:, path: "/log/table", back: "/log")
        @rows = rows
        @asks_order = asks_order
        @order = order
        @text = text
        @path = path
        @back = back
      end

      def asks_order? = @asks_order

      def wrong? = count(:wrong) > 0

      def keeps? = !asks_order? && !wrong? && count(:new) > 0

      def headline = "#{Words.count(count(:new), "row")} would be kept; #{count(:known)} here already or discarded; #{count(:wrong)} wrong."

      # @return [Array<Actions::ReadTable::Row>] what is wrong first
      def rows = @rows.sort_by { |row| [(row.state == :wrong) ? 0 : 1, row.number] }.first(MOST_SHOWN)

      # @return [String, nil] that there are more
      def more = ("And #{@rows.size - MOST_SHOWN} more rows like these." if @rows.size > MOST_SHOWN)

      def state(row) = {new: "will be kept", known: "here already"}.fetch(row.state, row.words)

      private

      def count(state) = @rows.count { |row| row.state == state }
    end
  end
end
