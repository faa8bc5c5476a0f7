# frozen_string_literal: true

module Windlass
  module Routes
    # Morning scores of a group in one table.
    module MorningTables
      def self.registered(app)
        app.helpers Helpers

        app.get("/mornings", may: :coaches) { morning_table(morning_form(nil)) }

        app.post("/mornings", may: :coaches) do
          form = morning_form(params)
          next morning_table(form) unless form.valid?

          kept = Actions::KeepMornings.call(morning_rows.open, form.rows, now: now)
          tell "#{Words.count(kept.size, "morning score")} kept: #{kept.map { |one| one.athlete.name }.join(", ")}."
          redirect to(morning_rows.athlete_filter.path(morning_rows.athlete_filter.number)), 303
        end
      end

      module Helpers
        def morning_rows =
          @morning_rows ||= Presenters::MorningTable.new(athlete_filter("/mornings"), day: today, today: today)

        def morning_form(typed) = Forms::MorningTableForm.new(typed, ids: morning_rows.open.map(&:id), today: today)

        def morning_table(form)
          status 422 if request.post?
          erb :"mornings/index", locals: {title: "Morning scores", page: morning_rows, form: form}
        end
      end
    end
  end
end
