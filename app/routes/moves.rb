# frozen_string_literal: true

module Windlass
  module Routes
    # Decided moves: taken back, or kept where the log was edited since.
    module Moves
      def self.registered(app)
        app.helpers Helpers

        app.post("/moves/:id/back") do
          move = kept_move
          Actions::TakeBack.call(move, now: now)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end

        app.post("/moves/:id/keep") do
          move = kept_move
          Actions::KeepDecision.call(move)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end
      end

      module Helpers
        def kept_move
          Records::Move.kept.where(account_id: account.id).find(Integer(params[:id], 10))
        rescue ArgumentError, RangeError
          raise ActiveRecord::RecordNotFound
        end
      end
    end
  end
end
