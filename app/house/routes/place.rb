# frozen_string_literal: true

module Windlass
  module Routes
    # The place: what the emergency card says.
    module Place
      def self.registered(app)
        app.helpers Helpers

        app.get("/place", may: :keeps) do
          place_page(place_form)
        end

        app.post("/place", may: :keeps) do
          form = Forms::PlaceForm.parse(params)
          next place_page(form) unless form.valid?

          account.update!(form.columns)
          tell "Kept. The emergency card says it from now on."
          redirect to("/place"), 303
        end

        # Everything of the place, as an archive: what is about health leaves the house with it.
        app.post("/place/archive.json", may: :keeps) do
          Actions::ProvePassword.call(person, params["password"].to_s[0, 200])
          archive_file(Archive::Writer.new(account.house), "place")
        rescue Error => error
          @refused = error.message
          status 422
          place_page(place_form)
        end

        app.get("/athletes/:athlete_id/archive.json", may: :coaches) do
          archive_file(Archive::Writer.new(account.house, athlete: athlete), "athlete-#{athlete.id}")
        end

        # An archive back in: all of it, or nothing.
        app.post("/place/import", may: :keeps) { take_in(Windlass::Imports::ArchiveFile, uploaded_bytes(:archive)) }
      end

      # Files that were read in lately, as many as anybody looks for.
      MOST_IMPORTS = 5

      module Helpers
        def place_form =
          Forms::PlaceForm.blank(account.slice(:emergency_number, :site, :oxygen_at, :defibrillator_at))

        def archive_file(writer, name)
          content_type :json
          attachment "windlass-#{name}-#{today}.json"
          download { |out| writer.write { |text| out << text } }
        end

        def place_page(form)
          status 422 unless form.valid?
          erb :"place/show",
            locals: {
              title: "The place",
              form: form,
              refused: @refused,
              asks_password: Actions::ProvePassword.asked?(person),
              card: Presenters::EmergencyCard.new(account.place),
              imports:
                account.of(Records::Import)
                  .lately(now)
                  .limit(MOST_IMPORTS)
                  .map { |one| Presenters::ImportPage.new(one) }
            }
        end
      end
    end
  end
end
