# frozen_string_literal: true

module Windlass
  module Routes
    # The model, to learn and to teach with.
    module Bench
      def self.registered(app)
        app.helpers Helpers

        app.get("/bench/log", may: :coaches) do
          seen = Queries::ForecastErrors.of(account.athletes.ids)
          erb :"bench/errors",
            locals: {
              title: "Forecasts against the log",
              newest: Queries::ForecastErrors::NEWEST,
              pages: %i[urge low].map { |kind| Presenters::ForecastErrorsPage.new(seen, kind) }
            }
        end

        app.get("/bench", may: :coaches) do
          form = Forms::BenchForm.parse(params)
          page = (Presenters::Bench.new(form, bench_model(form)) if form.valid? && bench_objection(form).nil?)
          status 422 unless form.valid?
          locals = {
            title: "Bench",
            form: form,
            page: page,
            objection: bench_objection(form),
            athletes: account.active_athletes.by_name
          }
          if part?
            partial(:"bench/result", **locals.slice(:form, :page, :objection))
          else
            erb(:"bench/index", locals: locals)
          end
        end
      end

      module Helpers
        def bench_athlete(form) = form.values[:athlete_id] && athlete(form.values[:athlete_id].to_s)

        def bench_objection(form)
          Forecasts.objection(bench_athlete(form), on: today) if form.valid? && bench_athlete(form)
        end

        def bench_model(form)
          known = bench_athlete(form)
          return Forecasts.model(known, on: today, posture: form.posture, floor: form.floor) if known

          Physiology::Model.new(form.body, control_pause_s: form.values[:control_pause_s], floor: form.floor)
        end
      end
    end
  end
end
