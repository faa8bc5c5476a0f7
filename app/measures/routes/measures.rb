# frozen_string_literal: true

module Windlass
  module Routes
    # Every measure but the control pause, which has a way of its own.
    module Measures
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes/:athlete_id/measures", may: :coaches) do
          page = Presenters::MeasureBoard.new(athlete, now: now)
          erb :"measures/index", locals: {title: "Measures, #{page.athlete.name}", page: page}
        end

        app.get("/athletes/:athlete_id/measures/:kind/new", may: :coaches) do
          measure_form(Forms::MeasureForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s, tempo: "66"))
        end

        app.get("/athletes/:athlete_id/measures/:kind", may: :coaches) do
          page =
            Presenters::MeasureHistory.new(
              athlete,
              (said(:kind) == "control_pause") ? said(:kind) : measure_kind.id,
              order: said(:order),
              number: said(:page).to_i
            )
          erb :"measures/history", locals: {title: page.title, page: page}
        end

        app.post("/athletes/:athlete_id/measures/:kind", may: :coaches) do
          form = Forms::MeasureForm.parse(params, kind: measure_kind, today: today)
          next measure_form(form) unless form.valid?

          take_measure(form)
        end

        # What a microphone's levels say of a hiss; keeps nothing.
        app.post("/hiss", may: :signed_in) do
          content_type :json
          reading = Formats::HissLevels.read(request.body.read)
          JsonText.of(reading.to_h.merge(words: reading.in_words))
        end

        app.get("/measures/:uuid", may: :coaches) do
          page =
            Presenters::MeasureSheet.new(
              account.of(Records::Measure)
                .where.not(kind: "control_pause")
                .find_by!(uuid: said(:uuid))
            )
          erb :"measures/show", locals: {title: page.title, page: page}
        end
      end

      module Helpers
        def measure_kind
          Windlass::Measures.kind(said(:kind))
        rescue Unknown
          raise Sinatra::NotFound
        end

        def take_measure(form)
          redirect to("/measures/#{Actions::TakeMeasure.call(athlete, measure_kind, form.values, now: now).uuid}"), 303
        end

        def measure_form(form)
          status 422 unless form.valid?
          hindrance = Actions::TakeMeasure.ready(athlete, measure_kind, watcher: "asked below", now: now)
          erb :"measures/new",
            locals: {
              title: measure_kind.name, form: form, kind: measure_kind, athlete: athlete, hindrance: hindrance
            }
        end
      end
    end
  end
end
