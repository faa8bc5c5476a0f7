# frozen_string_literal: true

module Windlass
  module Routes
    # Who uses the house, and what they may: the keeper's pages.
    module People
      def self.registered(app)
        app.helpers Helpers

        app.get("/people", may: :keeps) { people_page(Forms::RoleForm.blank) }

        app.post("/people/invitations", may: :keeps) do
          form = Forms::RoleForm.parse(params)
          next people_page(form) unless form.valid?

          show_once("invitation", Actions::Invite.call(house, form, by: person, now: now))
          redirect to("/people"), 303
        end

        app.post("/people/:id/roles", may: :keeps) do
          form = Forms::RoleForm.parse(params)
          next people_page(form, giving: person_of_the_house) unless form.valid?

          Actions::GiveRole.call(person_of_the_house, {**form.role, **form.days(today)})
          tell "The role is given."
          redirect to("/people"), 303
        end

        app.post("/people/roles/:id/end", may: :keeps) do
          role = find_in(Records::Role.where(person_id: people_of_the_house.select(:id)))
          Actions::GiveRole.end(role, now: now)
          tell "The role has ended."
          redirect to("/people"), 303
        end

        app.post("/people/:id/close", may: :keeps) do
          raise Error, "You can not close your own sign-in." if person_of_the_house.id == person.id

          Actions::ClosePerson.call(person_of_the_house, now: now)
          tell "#{person_of_the_house.name} can not sign in any more."
          redirect to("/people"), 303
        end

        app.get("/people/trace", may: :keeps) do
          page = Presenters::TracePage.new(house, Forms::TraceForm.parse(params))
          erb :"people/trace", locals: {title: "The trace", page: page}
        end

        app.get("/people/trace.csv", may: :keeps) do
          content_type "text/csv", charset: "utf-8"
          attachment "windlass-trace-#{today}.csv"
          found = Forms::TraceForm.parse(params).found
          download { |out| TraceFile.write(found) { |line| out << line } }
        end
      end

      module Helpers
        def people_of_the_house = Records::Person.where(account_id: house.id)

        def person_of_the_house = @person_of_the_house ||= find_in(people_of_the_house)

        def people_page(form, giving: nil)
          status 422 if form.errors.any?
          page = Presenters::PeoplePage.new(house, form, giving: giving,
            invited: shown_once("invitation"), today: today, base: request.base_url)
          erb :"people/index", locals: {title: "People", page: page}
        end
      end
    end
  end
end
