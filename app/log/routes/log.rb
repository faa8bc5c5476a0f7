# frozen_string_literal: true

module Windlass
  module Routes
    # Everything that was done, by anybody; and what was done elsewhere, written in.
    module Log
      def self.registered(app)
        app.helpers Helpers

        app.get("/log", may: :coaches) do
          page = Presenters::LogPage.new(account, Forms::LogForm.parse(params))
          erb :"log/index", locals: {title: "Log", page: page}
        end

        Formats::LogCsv::FILES.each_key do |name|
          app.get("/log/#{name}.csv", may: :coaches) { csv_file(name, Forms::LogForm.parse(params)) }
        end

        # A table as CSV: first what of it would be kept, then, asked for again with the same, all of it or nothing.
        app.post("/log/table", may: :coaches) do
          bytes = @uploads[:table] ? uploaded_bytes(:table) : typed(:text, Formats::TableCsv::MOST_CHARACTERS)
          next take_in(Windlass::Imports::TableFile, bytes, order: said(:order)) if said(:keep) == "yes"

          look_at(bytes)
        end

        app.get("/prescriptions/:id/write-in", may: :coaches) { write_in_page(prescription) }

        # What the lines say, drawn over the planned rounds; keeps nothing.
        app.post("/prescriptions/:id/write-in/read", may: :coaches) do
          partial :"log/lines", page: Presenters::PastSession.new(prescription, typed(:lines), today: today)
        end

        app.post("/prescriptions/:id/write-in", may: :coaches) do
          record = prescription
          page =
            Presenters::PastSession.new(
              record,
              (
                if said(:as_planned).empty?
                  typed(:lines)
                else
                  Presenters::PastSession.as_planned(record, said(:on), today: today)
                end
              ),
              today: today
            )
          next write_in_page(record, page) unless page.valid?

          kept = Actions::PastSession.call(record, page.entries, now: now)
          kept.each { |session| Actions::KeepPhoto.call(session, uploaded_bytes(:photo), now: now) } if @uploads[:photo]
          tell "#{Words.count(kept.size, "session")} written in."
          redirect to((kept.size == 1) ? "/sessions/#{kept.first.uuid}" : "/log?athlete_id=#{record.athlete_id}"), 303
        end
      end

      module Helpers
        # @param name [Symbol] of {Formats::LogCsv::FILES}
        # @param filter [Forms::LogForm]
        def csv_file(name, filter)
          content_type "text/csv", charset: "utf-8"
          attachment "windlass-#{name}-#{today}.csv"
          download { |out| LogFiles.write(name, account, filter) { |line| out << line } }
        end

        # Several lines, as they were typed.
        def typed(key, most = Presenters::PastSession::MOST_CHARACTERS) =
          params[key].is_a?(String) ? params[key][0, most] : ""

        # What of a table would be kept: at once, or behind the page.
        def look_at(bytes)
          kind = Windlass::Imports::TableFile
          about = {"order" => said(:order)}
          if kind.long?(bytes)
            redirect to("/imports/#{Windlass::Imports.look(account, kind, bytes, about: about, now: now).uuid}"), 303
          end

          erb :"log/table",
            locals: {
              title: kind.title,
              page: kind.new(account, about, now: now).preview(bytes),
              order: said(:order),
              typed: RequestParameters.cleaned(bytes),
              path: "/log/table",
              back: "/log"
            }
        end

        def write_in_page(record, page = nil)
          status 422 if page
          page ||= Presenters::PastSession.new(record, "", today: today)
          erb :"log/write_in", locals: {title: page.title, page: page}
        end
      end
    end
  end
end
