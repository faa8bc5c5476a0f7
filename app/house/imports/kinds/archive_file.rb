# frozen_string_literal: true

module Windlass
  module Imports
    # An archive: its athletes join those that are here.
    class ArchiveFile < Kind
      about id: "archive", title: "An archive", at_once: 300_000

      def bring(bytes) = Archive::Reader.new(account.house, progress: progress).bring(Formats::Text.of(bytes))

      def finish(left) =
        Outcome.new(
          words: "#{Words.count(Archive::Reader.finish(left), "athlete")} read in, with all that belongs to them.",
          path: "/athletes"
        )
    end
  end
end
