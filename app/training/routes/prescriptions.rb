# frozen_string_literal: true

module Windlass
  module Routes
    module Prescriptions
      def self.registered(app)
        app.helpers Helpers

        app.post("/athletes/:athlete_id/prescriptions", may: :coaches) do
          whom = athlete
          protocol = Protocols.find(said(:protocol))
          redirect to("/prescriptions/#{Actions::Prescribe.call(whom, protocol, now: now).id}"), 303
        end

        app.get("/prescriptions/:id", may: :runs) { prescription_sheet(prescription) }

        # Today's questions stand before it: what they say is kept, and may forbid it.
        app.post("/prescriptions/:id/sessions", may: :runs) do
          record = prescription
          day = Forms::DayForm.parse(params)
          raise Error, day.in_short unless day.valid?

          look_twice(record.athlete) { Queries::CoachLooks.at_start(record.to_standing(on: today)) }
          Actions::KeepDay.call(record.athlete, day.values, now: now) if said(:asked) == "yes"
          put_on_deck(record.reload)
        end

        app.post("/prescriptions/:id/limits", may: :coaches) do
          record = prescription
          raise Error, record.over_words if record.over?

          form =
            Forms::LimitsForm.parse(
              params,
              protocol: record.to_protocol,
              measures: record.athlete.to_values,
              start: Records::Record.dose(record.own_dose),
              switches: record.athlete.switches
            )
          next prescription_sheet(record, limits: form) unless form.valid?

          record.update!(limits: form.limits)
          redirect to("/prescriptions/#{record.id}"), 303
        end

        app.post("/prescriptions/:id/counting", may: :coaches) do
          record = prescription
          unless Records::Prescription::COUNTING.key?(said(:counting))
            raise Error,
              "#{Error.shown(said(:counting))} is not allowed; allowed: " \
              "#{Records::Prescription::COUNTING.keys.reject(&:empty?).join(", ")}, or nothing."
          end

          record.update!(counting: said(:counting))
          tell "Counted aloud #{Records::Prescription::COUNTING.fetch(record.counting)} from the next session on."
          redirect to("/prescriptions/#{record.id}"), 303
        end

        # What is plain of what they do alone moves by the rule, or waits.
        app.post("/prescriptions/:id/by-itself", may: :coaches) do
          record = prescription
          record.update!(moves_by: (said(:moves) == "yes") ? Records::Doing.uuid : "")
          redirect to("/prescriptions/#{record.id}"), 303
        end

        # Before anything of it was run: a higher rung, and why.
        app.post("/prescriptions/:id/start", may: :runs) do
          record = prescription
          form = Forms::StartForm.parse(params)
          next prescription_sheet(record, start: form) unless form.valid?

          look_twice(record.athlete) do
            Queries::CoachLooks.at_higher(record.to_standing(on: today)&.at(form.values[:rung] - 1))
          end
          Actions::StartHigher.call(record, rung: form.values[:rung] - 1, because: form.values[:because], now: now)
          tell "#{record.name} begins on rung #{form.values[:rung]}."
          redirect to("/prescriptions/#{record.id}"), 303
        end

        app.post("/prescriptions/:id/end", may: :coaches) do
          record = prescription
          Actions::EndPrescription.call(record)
          tell "#{record.name} is ended.", undo: "/prescriptions/#{record.id}/reopen"
          redirect to("/athletes/#{record.athlete_id}"), 303
        end

        # What it ended runs again.
        app.post("/prescriptions/:id/withdraw", may: :coaches) do
          redirect to("/prescriptions/#{Actions::EndPrescription.withdraw(prescription).id}"), 303
        end

        app.post("/prescriptions/:id/reopen", may: :coaches) do
          record = prescription
          Actions::EndPrescription.undo(record)
          redirect to("/prescriptions/#{record.id}"), 303
        end
      end

      module Helpers
        # What it ended is said, and may be taken back.
        def prescribed(record)
          if record.replaces && record.sessions.none?
            tell "#{record.name} is prescribed. #{record.replaces.name} is ended.",
              undo: "/prescriptions/#{record.id}/withdraw"
          end
          redirect to("/prescriptions/#{record.id}"), 303
        end

        # What stands in the way stands on the sheet, with what lifts it and what is open instead.
        def put_on_deck(record)
          redirect to("/sessions/#{Actions::PlanSession.call(record, now: now).uuid}/deck"), 303
        rescue Error
          status 422
          prescription_sheet(record)
        end

        def prescription_sheet(record, limits: nil, start: nil)
          status 422 if limits || start
          page = Presenters::PrescriptionSheet.new(record, now: now)
          known = Records::Record.dose(record.limits)
          limits ||= Forms::LimitsForm.from(known, record.to_protocol, record.athlete.to_values)
          erb :"prescriptions/show",
            locals: {
              title: page.title,
              page: page,
              limits: limits,
              start: start || Forms::StartForm.blank
            }
        end

        def prescription = find_in(account.of(Records::Prescription))
      end
    end
  end
end
