# frozen_string_literal: true

module Windlass
  module Routes
    # The library and the composer.
    module Library
      def self.registered(app)
        app.helpers Helpers

        app.get("/protocols") do
          page = Presenters::Library.new(account, athlete: composed_for, discipline: params[:discipline], place: params[:place], today: today)
          erb :"protocols/index", locals: {title: page.title, page: page, athletes: account.athletes.by_name}
        end

        app.get("/protocols/:id") do
          family = Protocols.find(params[:id])
          form = params[:dose] ? Forms::DoseForm.parse(params, protocol: family) : Forms::DoseForm.from(starting_dose(family), family)
          composer(form, athlete: composed_for, own: params[:own] && own_protocol(params[:own]))
        end

        # The same without scripts: shows, keeps nothing.
        app.post("/protocols/:id") do
          composer(Forms::DoseForm.parse(params, protocol: Protocols.find(params[:id])), athlete: composed_for)
        end
      end

      module Helpers
        def composed_for = params[:athlete_id].to_s.empty? ? nil : athlete

        def starting_dose(family)
          measures = composed_for&.to_values
          (measures && family.start(measures)) || family.start(Presenters::Nobody::MEASURES)
        end

        def composer(form, athlete: nil, own: nil)
          page = Presenters::Composer.new(form, athlete: athlete, own: own, today: today)
          return partial(:"protocols/result", page: page, live: true) if part?

          status 422 unless form.valid?
          erb :"protocols/compose", locals: {title: "Compose: #{page.title}", page: page, athletes: account.athletes.by_name}
        end
      end
    end
  end
end
