# frozen_string_literal: true

module Windlass
  module Imports
    # Dives of one athlete as UDDF.
    class DivesFile < Kind
      about id: "dives", title: "A file of dives", at_once: 300_000

      def bring(bytes) =
        {"rows" => Actions::ReadDives.call(athlete, Formats::Uddf.read(bytes), now: now, progress: progress)}

      def finish(left) =
        Outcome.new(words: "#{Words.count(left.fetch("rows"), "dive")} read in.", path: "/athletes/#{athlete.id}/dives")
    end
  end
end
