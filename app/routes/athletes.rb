# frozen_string_literal: true

module Windlass
  module Routes
    module Athletes
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes") do
          erb :"athletes/index", locals: {title: "Athletes", page: Presenters::Roster.new(account, today: today)}
        end

        app.get("/athletes/new") { athlete_form(Forms::AthleteForm.blank("control_pause_use" => "primary", "uuid" => SecureRandom.uuid)) }

        app.post("/athletes") do
          form = Forms::AthleteForm.parse(params, today: today)
          next athlete_form(form) unless form.valid?

          redirect to("/athletes/#{Actions::KeepAthlete.add(account, form, today: today).id}"), 303
        end

        app.get("/athletes/:athlete_id") do
          page = Presenters::AthleteSheet.new(athlete, now: now)
          erb :"athletes/show", locals: {title: page.name, page: page, clearance: Forms::ClearanceForm.blank}
        end

        app.get("/athletes/:athlete_id/edit") { athlete_form(Forms::AthleteForm.from(athlete), athlete) }

        app.post("/athletes/:athlete_id") do
          form = Forms::AthleteForm.parse(params, today: today)
          next athlete_form(form, athlete) unless form.valid?

          Actions::KeepAthlete.change(athlete, form, today: today)
          redirect to("/athletes/#{athlete.id}"), 303
        end
      end

      module Helpers
        def athlete_form(form, athlete = nil)
          status 422 unless form.valid?
          erb :"athletes/form", locals: {title: athlete ? "Edit #{athlete.name}" : "New athlete", form: form, athlete: athlete}
        end
      end
    end
  end
end
