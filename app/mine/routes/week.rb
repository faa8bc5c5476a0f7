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
          sets = Actions::LaySets.call(own_athlete, now: now)
          JSON.generate(
            today: today.iso8601, generation: Routes::Offline::GENERATION,
            decks: sets.map do |laid|
              {
                path: "/mine/decks/#{laid.uuid}", day: laid.local_date.iso8601, name: own_athlete.name,
                title: "#{laid.prescription.name}, #{laid.prescription.to_protocol.in_short(laid.to_session.to_dose)}"
              }
            end
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
