# frozen_string_literal: true

module Windlass
  module Routes
    # One's own sign-in: where one is signed in, and what proves who one is. And who coaches an athlete.
    module MySignIn
      def self.registered(app)
        app.get("/my-sign-in", may: :signed_in) do
          erb :"people/my_sign_in", locals: {title: "My sign-in", page: Presenters::MySignIn.new(person, today: today)}
        end

        app.post("/my-sign-in/end", may: :signed_in) do
          Actions::EndSignIn.call(person, said(:session))
          tell "That device is signed out."
          redirect to("/my-sign-in"), 303
        end

        app.get("/athletes/:athlete_id/coaches", may: :coaches) { coaches_page(athlete) }

        # Sharing, handing over, covering: a coach for an athlete from a day on, and perhaps until one.
        app.post("/athletes/:athlete_id/coaches", may: :coaches) do
          form = Forms::CoachForm.parse(params)
          next coaches_page(athlete, form) unless form.valid?

          other = find_in(Records::Person.open.where(account_id: house.id), params[:person])
          Actions::GiveRole.call(other, form.role(athlete, today))
          tell "#{other.name} coaches #{athlete.name}."
          redirect to("/athletes/#{athlete.id}/coaches"), 303
        end

        app.post("/athletes/:athlete_id/coaches/:id/end", may: :coaches) do
          role = find_in(Records::Role.where(athlete_id: athlete.id, kind: "coach"))
          Actions::GiveRole.end(role, now: now)
          tell "That has ended."
          redirect to("/"), 303
        end

        app.helpers Helpers
      end

      module Helpers
        def coaches_page(record, form = Forms::CoachForm.blank)
          status 422 if form.errors.any?
          erb :"people/coaches",
            locals: {
              title: "Who coaches #{record.name}",
              page: Presenters::CoachesPage.new(record, person, form: form, today: today)
            }
        end
      end
    end
  end
end
