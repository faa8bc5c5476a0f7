# frozen_string_literal: true

module Windlass
  module Routes
    # Decided moves: taken back, or kept where the log was edited since.
    module Moves
      def self.registered(app)
        app.post("/moves/:id/back") do
          move = find_in(Records::Move.kept.where(account_id: account.id))
          Actions::TakeBack.call(move, now: now)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end

        app.post("/moves/:id/keep") do
          move = find_in(Records::Move.kept.where(account_id: account.id))
          Actions::KeepDecision.call(move)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end
      end
    end
  end
end
