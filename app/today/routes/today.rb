# frozen_string_literal: true

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

        # What came in meanwhile: asked for again and again while Today is open. Where it is as it was nothing is drawn
        # anew, so that nobody loses their place in it.
        app.get("/today/alone", may: :coaches) do
          alone = Presenters::Alone.new(account, now: now)
          next 204 if said(:seen) == alone.version

          partial(:"today/alone", alone: alone) + partial(:"today/told", alone: alone, locals: {anew: true})
        end
      end
    end
  end
end
