# frozen_string_literal: true

module Windlass
  module Routes
    module Screenings
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes/:athlete_id/screening", may: :coaches) { screening_page }

        app.post("/athletes/:athlete_id/screening", may: :coaches) do
          form = Forms::ScreeningForm.parse(params, today: today)
          next screening_page(form: form) unless form.valid?

          Actions::KeepScreening.call(
            athlete,
            form.conditions,
            now: now,
            guardian_consent_on: form.values[:guardian_consent_on],
            uuid: form.values[:uuid]
          )
          further = Presenters::Desk::FirstSteps.path(athlete, now: now)
          tell "The screening is saved.", further: further
          redirect to("/athletes/#{athlete.id}/screening"), 303
        end

        app.post("/athletes/:athlete_id/clearances", may: :coaches) do
          form = Forms::ScreeningClearanceForm.parse(params, today: today)
          next screening_page(clearance: form) unless form.valid?

          Actions::KeepScreening.clear(athlete, form.values)
          redirect to("/athletes/#{athlete.id}/screening"), 303
        end
      end

      module Helpers
        def screening_page(form: nil, clearance: nil)
          status 422 if form || clearance
          page = Presenters::ScreeningSheet.new(athlete, today: today)
          erb :"athletes/screening",
            locals: {
              title: "Screening, #{page.name}",
              page: page,
              form: form || page.form,
              clearance: clearance || Forms::ScreeningClearanceForm.blank
            }
        end
      end
    end
  end
end
