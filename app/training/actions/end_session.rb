# frozen_string_literal: true

require "securerandom"

module Windlass
  module Actions
    # Ends a session that nobody will come back to: the browser that ran it is gone. What it had sent is kept.
    module EndSession
      # @return [Records::Session]
      def self.call(session, now:)
        return session unless session.state == "running"

        last_ms = session.journal_events.maximum(:at_ms)
        KeepJournal.call(session, [{uuid: SecureRandom.uuid, kind: "stop", at_ms: last_ms}], now: now)
        session
      end
    end
  end
end
