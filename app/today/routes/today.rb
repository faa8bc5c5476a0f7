# frozen_string_literal: true

module Windlass
  module Routes
    module Today
      def self.registered(app)
        app.get("/") do
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
