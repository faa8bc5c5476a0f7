# frozen_string_literal: true

module Windlass
  module Routes
    # What was entered wrong: corrected, discarded, brought back.
    module Corrections
      DISCARDABLE = {
        "measures" => Records::Measure,
        "dives" => Records::Dive,
        "colds" => Records::Cold,
        "clearances" => Records::Clearance
      }.freeze
      # Of an athlete's pages the one that shows them.
      SHOWN_ON = {"measures" => "measures", "dives" => "dives", "colds" => "cold", "clearances" => "screening"}.freeze

      def self.registered(app)
        app.helpers Helpers

        app.get("/measures/:uuid/correct", may: :coaches) do
          correction_form(Presenters::MeasureCorrection.new(measure_record, today: today))
        end

        app.post("/measures/:uuid/correct", may: :coaches) do
          record = measure_record
          page = Presenters::MeasureCorrection.new(record, params: params, today: today)
          next correction_form(page, 422) unless page.form.valid?

          Actions::Correct.measure(record, page.form.values, seen: said(:seen), now: now)
          tell "Corrected. What stood there before is kept."
          redirect to(record.path), 303
        end

        app.get("/dives/:uuid/correct", may: :coaches) do
          correction_form(Presenters::DiveCorrection.new(dive_record, now: now))
        end

        app.post("/dives/:uuid/correct", may: :coaches) do
          record = dive_record
          page = Presenters::DiveCorrection.new(record, params: params, now: now)
          next correction_form(page, 422) unless page.form.valid?

          Actions::LogDive.call(record.athlete, page.form, now: now, seen: said(:seen))
          tell "Corrected. What stood there before is kept."
          redirect to(page.path), 303
        end

        app.get("/screenings/:id/correct", may: :coaches) { correct_screening(screening_record) }

        app.post("/screenings/:id/correct", may: :coaches) do
          record = screening_record
          form = Forms::ScreeningForm.parse(params, today: today)
          next correct_screening(record, form) unless form.valid?

          Actions::Correct.screening(record, form, seen: said(:seen), now: now)
          tell "Corrected. What stood there before is kept."
          redirect to("/athletes/#{record.athlete_id}/screening"), 303
        end

        DISCARDABLE.each do |name, record|
          app.post("/#{name}/:uuid/discard", may: :coaches) { discard(record, name, now) }
          app.post("/#{name}/:uuid/bring-back", may: :coaches) { discard(record, name, nil) }
        end
      end

      module Helpers
        def measure_record = account.of(Records::Measure.unscoped).find_by!(uuid: said(:uuid))

        def screening_record = find_in(Records::Screening.where(athlete_id: account.athletes.select(:id)))

        def dive_record = account.of(Records::Dive).find_by!(uuid: said(:uuid))

        def correction_form(page, code = 200)
          status code
          erb :"corrections/form", locals: {title: page.title, page: page}
        end

        def correct_screening(record, form = nil)
          status 422 if form
          page = Presenters::ScreeningSheet.new(record.athlete, today: today)
          erb :"corrections/screening",
            locals: {
              title: "Correct a screening, #{page.name}",
              page: page,
              record: record,
              form: form || Forms::ScreeningForm.from(record, record.athlete)
            }
        end

        # @param moment [Time, nil] nil: it is brought back
        def discard(record, name, moment)
          found = account.of(record.unscoped).find_by!(uuid: said(:uuid))
          found.discard(moment)
          Actions::LogDive.flag(found.athlete, found.local_date) if name == "dives"
          tell(moment ? "It is discarded." : "It is back.", undo: ("/#{name}/#{found.uuid}/bring-back" if moment))
          redirect to("/athletes/#{found.athlete_id}/#{SHOWN_ON.fetch(name)}"), 303
        end
      end
    end
  end
end
