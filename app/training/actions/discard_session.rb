# frozen_string_literal: true

module Windlass
  module Actions
    # A false start is no session, and what was written in may have been written wrong. It stays on record, and can be
    # brought back.
    module DiscardSession
      # @raise [Error] where it was more than a false start, or the day is decided
      def self.call(session, now:)
        unless Queries::StillOpen.discardable?(session)
          raise Error,
            "Only a false start can be discarded (nothing done, or left within the first round, without a symptom), " \
            "and what was written in."
        end
        if session.prescription.moves.exists?(local_date: session.local_date, session_id: session.id)
          raise Error, "This day is decided already. Undo the decision first."
        end

        session.update!(discarded_at: session.discarded_at || now)
        StoreVerdict.call(session)
      end

      def self.bring_back(session)
        session.update!(discarded_at: nil)
        StoreVerdict.call(session)
      end
    end
  end
end
