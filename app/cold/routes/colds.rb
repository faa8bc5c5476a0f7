# frozen_string_literal: true

module Windlass
  module Routes
    # Cold adaptation: a small log of its own.
    module Colds
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes/:athlete_id/cold", may: :coaches) do
          cold_page(Forms::ColdForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s))
        end

        app.post("/athletes/:athlete_id/cold", may: :coaches) do
          form = Forms::ColdForm.parse(params, today: today)
          next cold_page(form) unless form.valid?

          log_cold(form)
        end
      end

      module Helpers
        # What was done is kept, with its caution.
        def log_cold(form)
          cold = Actions::LogCold.call(athlete, form.values, now: now)
          tell [
            "The cold is logged.",
            (cold.caution.empty? ? nil : "It counts toward no stage. #{cold.caution}")
          ].compact.join(" ")
          redirect to("/athletes/#{athlete.id}/cold"), 303
        end

        def cold_page(form)
          status 422 unless form.valid?
          page = Presenters::ColdLog.new(athlete, now: now)
          erb :"colds/index", locals: {title: page.title, page: page, form: form}
        end
      end
    end
  end
end
