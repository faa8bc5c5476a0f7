# frozen_string_literal: true

module Windlass
  module Imports
    # A table from elsewhere: first what of it would be kept, then, told so, all of it.
    class TableFile < Kind
      about id: "table", title: "A file from elsewhere", at_once: 10_000

      DAY_FIRST = {"day" => true, "month" => false}.freeze

      # @return [Presenters::TablePreview] nothing is kept
      def preview(bytes)
        table = table(bytes)
        Presenters::TablePreview.of(
          Actions::ReadTable.preview(account, table, now: now, progress: progress),
          asks_order: table.asks_order?
        )
      end

      def bring(bytes) = Actions::ReadTable.bring(account, table(bytes), now: now, progress: progress)

      def finish(left) =
        Outcome.new(
          words: "#{Words.count(Actions::ReadTable.finish(left, now: now, progress: progress), "row")} kept.",
          path: "/log"
        )

      private

      def table(bytes) = Formats::Tables.read(bytes, today: now.to_date, day_first: DAY_FIRST[about["order"]])
    end
  end
end
