# frozen_string_literal: true

module Windlass
  module Routes
    # Cold adaptation: a small log of its own.
    module Colds
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes/:athlete_id/cold") { cold_page(Forms::ColdForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s)) }

        app.post("/athletes/:athlete_id/cold") do
          form = Forms::ColdForm.parse(params, today: today)
          next cold_page(form) unless form.valid?

          log_cold(form)
        end
      end

      module Helpers
        # Who is not ready keeps what was typed: it may be of another day.
        def log_cold(form)
          Actions::LogCold.call(athlete, form.values, now: now)
          tell "The cold is logged."
          redirect to("/athletes/#{athlete.id}/cold"), 303
        rescue Error => error
          status 422
          cold_page(form, refusal: error.message)
        end

        def cold_page(form, refusal: nil)
          status 422 unless form.valid?
          page = Presenters::ColdLog.new(athlete, now: now)
          erb :"colds/index", locals: {title: page.title, page: page, form: form, refusal: refusal}
        end
      end
    end
  end
end
