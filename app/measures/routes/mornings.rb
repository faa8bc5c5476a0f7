# frozen_string_literal: true

module Windlass
  module Routes
    # What an athlete opens who was sent a link: their own morning score, and nothing else.
    module Mornings
      def self.registered(app)
        app.helpers Helpers

        app.get("/morning/:token", may: :anyone) { before_morning(linked, :bare_layout) }

        app.post("/morning/:token", may: :anyone) { take_morning(linked, :bare_layout) }

        # The same, by whoever is signed in as themselves.
        app.get("/mine/morning", may: :own) { before_morning(consenting(own_athlete), :layout) }

        app.post("/mine/morning", may: :own) { take_morning(consenting(own_athlete), :layout) }
      end

      module Helpers
        def morning_links = MorningLinks.new(settings.session_secret, maker: person&.id)

        # @raise [Error] where nothing of them may be kept: in their words, for they read it
        def linked
          @linked ||= morning_links.athlete(house, said(:token), on: today) || raise(Sinatra::NotFound)
          self.whose = @linked.id
          consenting(@linked)
        end

        # @raise [Error] in their words, for they read it
        def consenting(whose)
          raise Error, Consents::TO_THEMSELVES if Consents.missing?(whose, today)

          whose
        end

        def before_morning(whose, layout)
          blank = Forms::ControlPauseForm.blank(uuid: SecureRandom.uuid, taken_on: today.to_s, on_waking: "true")
          morning_page(whose, layout, blank, Records::Measure.find_by(athlete_id: whose.id, uuid: said(:saved)))
        end

        def take_morning(whose, layout)
          form = Forms::MorningForm.parse(params, today: today)
          return morning_page(whose, layout, form, nil) unless form.valid?

          measure = Actions::TakeControlPause.morning(whose, form.values, now: now)
          redirect to("#{request.path_info}?saved=#{measure.uuid}"), 303
        end

        def morning_page(whose, layout, form, saved)
          status 422 unless form.valid?
          erb :"control_pauses/morning",
            layout: layout,
            locals: {
              title: "Morning score",
              athlete: whose,
              form: form,
              before: Presenters::BeforeAPause.new(whose, today: today),
              saved: saved && Presenters::AthletePauses.reading(saved)
            }
        end
      end
    end
  end
end
