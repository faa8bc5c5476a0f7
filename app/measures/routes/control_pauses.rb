# frozen_string_literal: true

module Windlass
  module Routes
    module ControlPauses
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes/:athlete_id/control-pauses/new", may: :coaches) do
          control_pause_form(Forms::ControlPauseForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s))
        end

        app.post("/athletes/:athlete_id/control-pauses", may: :coaches) do
          form = Forms::ControlPauseForm.parse(params, today: today)
          next control_pause_form(form) unless form.valid?

          measure = Actions::TakeControlPause.call(athlete, form.values, now: now)
          redirect to("/control-pauses/#{measure.uuid}"), 303
        end

        app.get("/control-pauses/:uuid", may: :coaches) do
          control_pause_page(
            Forms::PauseForm.blank("until_on" => (today + Actions::KeepAthlete::AGAIN_DAYS).iso8601)
          )
        end

        # Where the reading says that the measure is better paused.
        app.post("/control-pauses/:uuid/pause", may: :coaches) do
          form = Forms::PauseForm.parse(params, today: today)
          next control_pause_page(form) unless form.valid?

          Actions::PauseControlPause.call(control_pause.athlete, until_on: form.values[:until_on])
          tell "Paused: it is asked for again on #{Words.date(form.values[:until_on])}."
          redirect to("/athletes/#{control_pause.athlete_id}"), 303
        end
      end

      module Helpers
        def control_pause =
          @control_pause ||= account.of(Records::Measure).find_by!(uuid: said(:uuid), kind: "control_pause")

        # @param pausing [Forms::PauseForm]
        def control_pause_page(pausing)
          status 422 unless pausing.valid?
          measure = control_pause
          erb :"control_pauses/show",
            locals: {
              title: "Control pause, #{measure.athlete.name}",
              athlete: measure.athlete,
              measure: measure,
              pausing: pausing,
              corrections: Presenters::Corrections.of(measure),
              reading: Presenters::AthletePauses.reading(measure),
              page: Presenters::AthleteSheet.new(measure.athlete, now: now)
            }
        end

        def control_pause_form(form)
          status 422 unless form.valid?
          erb :"control_pauses/new",
            locals: {
              title: "Control pause, #{athlete.name}",
              form: form,
              athlete: athlete,
              before: Presenters::BeforeAPause.new(athlete, today: today),
              page: Presenters::LastScores.new(Presenters::AthleteSheet.new(athlete, now: now))
            }
        end
      end
    end
  end
end
