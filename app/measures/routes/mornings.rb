# frozen_string_literal: true

module Windlass
  module Routes
    # What an athlete opens who was sent a link: their own morning score, and nothing else.
    module Mornings
      def self.registered(app)
        app.helpers Helpers

        app.get("/morning/:token", may: :anyone) do
          morning_page(
            Forms::ControlPauseForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s, on_waking: "true"),
            Records::Measure.find_by(athlete_id: linked.id, uuid: said(:saved))
          )
        end

        app.post("/morning/:token", may: :anyone) do
          form = Forms::MorningForm.parse(params, today: today)
          next morning_page(form, nil) unless form.valid?

          measure = Actions::TakeControlPause.morning(linked, form.values, now: now)
          redirect to("/morning/#{said(:token)}?saved=#{measure.uuid}"), 303
        end
      end

      module Helpers
        def morning_links = MorningLinks.new(settings.session_secret, maker: person&.id)

        # @raise [Error] where nothing of them may be kept: in their words, for they read it
        def linked
          @linked ||= morning_links.athlete(house, said(:token), on: today) || raise(Sinatra::NotFound)
          self.whose = @linked.id
          raise Error, Consents::TO_THEMSELVES if Consents.missing?(@linked, today)

          @linked
        end

        def morning_page(form, saved)
          status 422 unless form.valid?
          erb :"control_pauses/morning",
            layout: :bare_layout,
            locals: {
              title: "Morning score",
              athlete: linked,
              form: form,
              before: Presenters::BeforeAPause.new(linked, today: today),
              saved: saved && Presenters::AthleteSheet.reading(saved)
            }
        end
      end
    end
  end
end
