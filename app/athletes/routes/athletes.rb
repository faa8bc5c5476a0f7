# frozen_string_literal: true

module Windlass
  module Routes
    module Athletes
      def self.registered(app)
        app.helpers Helpers

        app.get("/athletes", may: :coaches) do
          erb :"athletes/index",
            locals: {
              title: "Athletes",
              page:
                Presenters::Roster.new(
                  Records::Roster.new(
                    account,
                    %i[search who order group page].to_h { |key| [key, said(key)[0, 80]] },
                    today: today
                  ),
                  today: today
                )
            }
        end

        app.get("/athletes/new", may: :coaches) do
          athlete_form(Forms::AthleteForm.blank("control_pause_use" => "primary", "uuid" => SecureRandom.uuid))
        end

        app.post("/athletes", may: :coaches) do
          form = Forms::AthleteForm.parse(params, today: today)
          next athlete_form(form) unless form.valid?

          added = Actions::KeepAthlete.add(account, form, today: today)
          tell "#{added.name} is added."
          redirect to(Presenters::Desk::FirstSteps.path(added, now: now) || "/athletes/#{added.id}"), 303
        end

        app.get("/athletes/several", may: :coaches) {
          erb :"athletes/paste", locals: {title: "Several athletes", text: ""}
        }

        # First who would be added; then, asked for again with the same, all of them or nobody.
        app.post("/athletes/several", may: :coaches) do
          text = typed(:text, Formats::TableCsv::MOST_CHARACTERS)
          table =
            Formats::Tables.read(
              text,
              today: today,
              day_first: {"day" => true, "month" => false}[said(:order)],
              kinds: [Formats::AthletesCsv]
            )
          next athletes_preview(table, text) unless said(:keep) == "yes"

          tell "#{Words.count(Actions::ReadAthletes.call(account, table, today: today), "athlete")} added."
          redirect to("/"), 303
        end

        app.get("/athletes/:athlete_id", may: :coaches) do
          page = Presenters::AthleteSheet.new(athlete, now: now)
          erb :"athletes/show", locals: {title: page.name, page: page, clearance: Forms::ClearanceForm.blank}
        end

        # Who leaves stands in the log, and no longer on Today.
        app.post("/athletes/:athlete_id/left", may: :coaches) do
          record = athlete
          record.update_columns(left_on: today)
          tell "#{record.name} has left. The record stays; Today and the groups go on without them.",
            undo: "/athletes/#{record.id}/back"
          redirect to("/athletes"), 303
        end

        app.post("/athletes/:athlete_id/back", may: :coaches) do
          record = athlete
          record.update_columns(left_on: nil)
          tell "#{record.name} is back."
          redirect to("/athletes/#{record.id}"), 303
        end

        # Links that were sent for morning scores are dead from now on.
        app.post("/athletes/:athlete_id/morning-links/revoke", may: :coaches) do
          record = athlete
          record.update_columns(morning_links_revoked: record.morning_links_revoked + 1)
          tell "The links that were sent to #{record.name} open nothing any more."
          redirect to("/athletes/#{record.id}/edit"), 303
        end

        app.get("/athletes/:athlete_id/edit", may: :coaches) { athlete_form(Forms::AthleteForm.from(athlete), athlete) }

        app.post("/athletes/:athlete_id", may: :coaches) do
          form = Forms::AthleteForm.parse(params, today: today)
          next athlete_form(form, athlete) unless form.valid?

          Actions::KeepAthlete.change(athlete, form, today: today)
          redirect to("/athletes/#{athlete.id}"), 303
        end
      end

      module Helpers
        def athletes_preview(table, text)
          page =
            Presenters::TablePreview.of(
              Actions::ReadAthletes.preview(account, table, today: today),
              asks_order: table.asks_order?
            )
          erb :"log/table",
            locals: {
              title: "Several athletes",
              page: page,
              order: said(:order),
              typed: text,
              path: "/athletes/several",
              back: "/athletes/several"
            }
        end

        def athlete_form(form, athlete = nil)
          status 422 unless form.valid?
          erb :"athletes/form",
            locals: {
              title: athlete ? "Edit #{athlete.name}" : "New athlete",
              form: form,
              athlete: athlete
            }
        end
      end
    end
  end
end
