# frozen_string_literal: true

require "digest"

module Windlass
  module Routes
    module Today
      def self.registered(app)
        app.get("/", may: :signed_in) do
          redirect to(may?(:own) ? "/mine" : "/people"), 303 unless may?(:runs)

          seeing(may?(:coaches) ? :coaches : :runs)
          erb :"today/index",
            locals: {
              title: "Today",
              page:
                Presenters::Today.new(
                  account,
                  now: now,
                  links: morning_links,
                  athlete_filter: athlete_filter("/"),
                  number: said(:page).to_i,
                  all: said(:all) == "1"
                ),
              alone: (Presenters::Alone.new(account, now: now) if may?(:coaches))
            }
        end

        # What came in meanwhile: asked for again and again while Today is open.
        app.get("/today/alone", may: :coaches) do
          alone = Presenters::Alone.new(account, now: now)
          markup = partial(:"today/alone", alone: alone) + partial(:"today/told", alone: alone, locals: {anew: true})
          cache_control :private, :no_cache
          etag Digest::SHA256.hexdigest(markup)[0, 20]
          markup
        end
      end
    end
  end
end
