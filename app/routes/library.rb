# frozen_string_literal: true

module Windlass
  module Routes
    # The library and the composer.
    module Library
      def self.registered(app)
        app.helpers Helpers

        app.get("/protocols") do
          page = Presenters::Library.new(account, athlete: composed_for, discipline: said(:discipline), place: said(:place), today: today)
          erb :"protocols/index", locals: {title: page.title, page: page, athletes: account.athletes.by_name}
        end

        app.get("/protocols/:id") do
          family = Protocols.find(said(:id))
          form = params.key?(:dose) ? Forms::DoseForm.parse(params, protocol: family) : Forms::DoseForm.from(starting_dose(family), family)
          composer(form, athlete: composed_for, own: own_composed)
        end

        # What Enter does, with scripts and without: shows what stands in the form, keeps nothing.
        app.post("/protocols/:id") do
          composer(Forms::DoseForm.parse(params, protocol: Protocols.find(said(:id))), athlete: composed_for, own: own_composed)
        end

        # A dose as it stands in the composer, for an athlete, without a name.
        app.post("/protocols/:id/prescriptions") do
          family = Protocols.find(said(:id))
          form = Forms::DoseForm.parse(params, protocol: family)
          next composer(form, athlete: composed_for, own: own_composed) unless form.valid?
          raise Error, "Choose for whom first, then prescribe it." unless composed_for

          prescription = Actions::Prescribe.call(composed_for, family, own: Actions::Prescribe::Composed.new(to_dose: form.dose), now: now)
          redirect to("/prescriptions/#{prescription.id}"), 303
        end
      end

      module Helpers
        def composed_for = said(:athlete_id).empty? ? nil : athlete

        def own_composed = said(:own).empty? ? nil : own_protocol(said(:own))

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
