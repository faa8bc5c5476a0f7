# frozen_string_literal: true

module Windlass
  module Imports
    # A recorded oximeter trace of one session.
    class OximeterFile < Kind
      about id: "oximeter", title: "An oximeter trace", at_once: 100_000

      def bring(bytes)
        Actions::ReadOximeterTrace.call(
          session,
          Formats::OximeterCsv::Reader.read(Formats::Text.of(bytes)),
          progress: progress
        )
      end

      def finish(left)
        Actions::ReadOximeterTrace.finish(session, now: now)
        Outcome.new(
          words: "The lows of #{Words.count(left.fetch("rows"), "hold")} are kept.",
          path: "/sessions/#{session.uuid}"
        )
      end

      private

      def session = @session ||= account.of(Records::Session).find_by!(uuid: about.fetch("session"))
    end
  end
end
