# frozen_string_literal: true

module Windlass
  module Routes
    # Files that are read in behind the page: how far they are, stopped, kept after they were looked at.
    module Imports
      def self.registered(app)
        app.helpers Helpers

        app.get("/imports/:uuid", may: :signed_in) { import_page(import_record) }

        # The part that moves. Once it has ended, or asks something, the whole page comes.
        app.get("/imports/:uuid/bar", may: :signed_in) do
          page = Presenters::ImportPage.new(import_record)
          next partial(:"imports/bar", page: page) if page.moves?

          headers "HX-Redirect" => to("/imports/#{page.uuid}")
          ""
        end

        app.post("/imports/:uuid/stop", may: :signed_in) do
          record = import_record
          unless Windlass::Imports.stop(record, now: now) || record.ended?
            tell "It can not be stopped any more: all of it is kept."
          end
          redirect to("/imports/#{record.uuid}"), 303
        end

        app.post("/imports/:uuid/keep", may: :signed_in) do
          record = import_record
          Windlass::Imports.go_on(record, order: said(:order))
          redirect to("/imports/#{record.uuid}"), 303
        end
      end

      module Helpers
        def import_record = account.of(Records::Import).find_by!(uuid: said(:uuid))

        # What was read before it ended leads on by itself.
        def import_page(record)
          page = Presenters::ImportPage.new(record)
          if page.path
            tell page.words
            redirect to(page.path), 303
          end
          erb :"imports/show", locals: {title: page.title, page: page}
        end

        # A file is read in: at once where it is short, behind the page where it is long.
        def take_in(kind, bytes, **about)
          taken = Windlass::Imports.take(account, kind, bytes, about: about.transform_keys(&:to_s), now: now)
          redirect to("/imports/#{taken.uuid}"), 303 if taken.is_a?(Records::Import)

          tell taken.words
          redirect to(taken.path), 303
        end
      end
    end
  end
end
