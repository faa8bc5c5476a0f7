# frozen_string_literal: true

module Windlass
  module Routes
    # The place: what the emergency card says.
    module Place
      def self.registered(app)
        app.helpers Helpers

        app.get("/place") do
          place_page(Forms::PlaceForm.blank(account.slice(:emergency_number, :site, :oxygen_at, :defibrillator_at)))
        end

        app.post("/place") do
          form = Forms::PlaceForm.parse(params)
          next place_page(form) unless form.valid?

          account.update!(form.columns)
          tell "Kept. The emergency card says it from now on."
          redirect to("/place"), 303
        end

        # Everything of the place, as an archive.
        app.get("/place/archive.json") { archive_file(Archive::Writer.new(account), "place") }

        app.get("/athletes/:athlete_id/archive.json") do
          archive_file(Archive::Writer.new(account, athlete: athlete), "athlete-#{athlete.id}")
        end

        # An archive back in: all of it, or nothing.
        app.post("/place/import") { take_in(Windlass::Imports::ArchiveFile, uploaded_bytes(:archive)) }
      end

      # Files that were read in lately, as many as anybody looks for.
      MOST_IMPORTS = 5

      module Helpers
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
              card: Presenters::EmergencyCard.new(account.place),
              imports:
                Records::Import
                  .where(account_id: account.ids)
                  .lately(now)
                  .limit(MOST_IMPORTS)
                  .map { |one| Presenters::ImportPage.new(one) }
            }
        end
      end
    end
  end
end
