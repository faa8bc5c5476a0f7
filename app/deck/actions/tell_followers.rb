# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps where a run stands, for those who follow it on a second screen. Kept in the database, so that any process
    # can answer.
    module TellFollowers
      # @param told [Hash, nil] as the deck says it
      def self.call(session, told, now:)
        session.update_columns(told: told, told_at: now) if told
      end
    end
  end
end
