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

    # No more sets today: the day may be judged as it is. Or there are some after all.
    module GiveUpDay
      def self.call(session, given_up: true)
        raise Error, "This day is decided already." if session.prescription.moves.exists?(local_date: session.local_date)

        session.update!(given_up: given_up)
      end
    end

    # A false start is no session. It stays on record, and can be brought back.
    module DiscardSession
      # @raise [Error] where it was more than a false start, or the day is decided
      def self.call(session, now:)
        raise Error, "Only a false start can be discarded: nothing done, or left within the first round, without a symptom." unless session.to_core.false_start?
        raise Error, "This day is decided already. Undo the decision first." if session.prescription.moves.exists?(local_date: session.local_date, session_id: session.id)

        session.update!(discarded_at: session.discarded_at || now)
        Propose.call(session)
      end

      def self.bring_back(session)
        session.update!(discarded_at: nil)
        Propose.call(session)
      end
    end
  end
end
