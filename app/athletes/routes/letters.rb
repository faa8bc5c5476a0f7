# frozen_string_literal: true

module Windlass
  module Routes
    # A clinician answers a letter by its link, once; the coach takes the answer over.
    module Letters
      def self.registered(app)
        app.helpers Helpers

        app.post("/athletes/:athlete_id/letters", may: :coaches) do
          show_once("letter", Actions::AskClinician.call(athlete, by: person, now: now), whose: athlete.id)
          redirect to("/athletes/#{athlete.id}/screening"), 303
        end

        app.post("/athletes/:athlete_id/letters/:id/take", may: :coaches) do
          letter = find_in(Records::Letter.waiting.where(athlete_id: athlete.id))
          Actions::AskClinician.take(letter, today: today, now: now)
          tell "The answer is written down as a clearance. A stop that stood is lifted by it."
          redirect to("/athletes/#{athlete.id}"), 303
        end

        app.get("/letters/:token", may: :anyone) { letter_page(Forms::ScreeningClearanceForm.blank) }

        app.post("/letters/:token", may: :anyone) do
          found = letter
          form = Forms::ScreeningClearanceForm.parse(params.merge("given_on" => today.iso8601).except("uuid"),
            today: today)
          next letter_page(form) unless form.valid?

          Actions::AskClinician.answer(found, form.values, now: now)
          erb :"letters/answered", layout: :bare_layout, locals: {title: "Thank you"}
        end
      end

      module Helpers
        # Whose maker coaches the athlete still, and who has not left.
        def letter
          @letter ||= Records::Letter.open(params[:token].to_s, now: now)&.then { |one| one if asked_still?(one) } ||
            raise(Sinatra::NotFound)
          self.whose = @letter.athlete_id
          @letter
        end

        def asked_still?(one) =
          Sight.of_maker(house, one.made_by, on: today)&.active_athletes&.exists?(id: one.athlete_id)

        # @return [String, nil] of the letter that was made just now, once
        def letter_link(athlete_id)
          secret = shown_once("letter", whose: athlete_id)
          secret && "#{request.base_url}/letters/#{secret}"
        end

        def letter_page(form)
          status 422 if form.errors.any?
          erb :"letters/show",
            layout: :bare_layout,
            locals: {title: "A letter", page: Presenters::LetterPage.new(letter, form, today: today)}
        end
      end
    end
  end
end
