# frozen_string_literal: true

module Windlass
  module Routes
    # Decided moves: taken back, or kept where the log was edited since.
    module Moves
      def self.registered(app)
        # What is plain, accepted where it stands.
        app.post("/sessions/:uuid/accept", may: :coaches) do
          move = Actions::AcceptPlain.call(session_record, seen: said(:seen), now: now)
          next partial(:"today/accepted", move: move) if request.env["HTTP_HX_REQUEST"]

          tell Presenters::VerdictWords.told(move), undo: "/moves/#{move.id}/back"
          redirect to("/#decide"), 303
        rescue Error => error
          raise unless request.env["HTTP_HX_REQUEST"]

          # It needs a look after all.
          tell error.message
          headers "HX-Redirect" => to("/sessions/#{said(:uuid)}")
          ""
        end

        # All that is plain at once; what changed meanwhile is left, and said.
        app.post("/decisions", may: :coaches) do
          seen = params[:seen].is_a?(Hash) ? params[:seen].select { |_, verdict| verdict.is_a?(String) } : {}
          sessions =
            account.of(Records::Session)
              .where(uuid: seen.keys.first(RequestParameters::MOST_LISTED))
              .includes(:athlete, :prescription)
              .sort_by { |session| session.athlete.name.downcase }
          moves, refused = Actions::AcceptPlain.all(sessions, seen: seen, now: now)
          erb :"today/all_accepted", locals: {title: "Accepted", moves: moves, refused: refused}
        end

        app.post("/moves/:id/back", may: :coaches) do
          move = find_in(account.of(Records::Move.kept))
          Actions::TakeBack.call(move, now: now)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end

        app.post("/moves/:id/keep", may: :coaches) do
          move = find_in(account.of(Records::Move.kept))
          Actions::KeepDecision.call(move)
          redirect to("/sessions/#{move.session.uuid}"), 303
        end
      end
    end
  end
end
