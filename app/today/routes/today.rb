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
                )
            }
        end
      end
    end
  end
end
