# frozen_string_literal: true

module Windlass
  module Routes
    # What lies on an athlete's phone for the days to come, so that it opens without a network.
    module Week
      def self.registered(app)
        # What there is to take along; nothing is made or sent anew where nothing changed.
        app.get("/mine/week.json", may: :own) do
          content_type :json
          cache_control :private, :no_cache
          # Their mark is another as soon as anything of theirs is.
          etag [own_athlete.desk_mark, today, Routes::Offline::GENERATION].join("-")
          rows = Actions::LaySets.call(own_athlete, now: now)
          JsonText.of(
            today: today.iso8601, generation: Routes::Offline::GENERATION, athlete: own_athlete.id,
            decks: Presenters::OnPhone.of(rows, own_athlete, today: today).map(&:to_plain)
          )
        end

        app.get("/mine/decks/:uuid", may: :own) do
          laid = account.of(Records::LaidSet).find_by!(uuid: said(:uuid))
          page = Presenters::Deck.new(laid.to_session, keys: run_keys)
          erb :"sessions/deck", layout: :deck_layout, locals: {title: "#{page.name}: #{page.title}", page: page}
        end
      end
    end
  end
end
