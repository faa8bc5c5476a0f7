# frozen_string_literal: true

module Windlass
  module Routes
    module Sessions
      def self.registered(app)
        app.helpers Helpers

        app.get("/sessions/:uuid/deck") do
          record = session_record
          redirect to("/prescriptions/#{record.prescription_id}"), 303 if Actions::PlanSession.outdated?(record, now: now)

          erb :"sessions/deck", layout: :deck_layout, locals: {title: "Deck", page: Presenters::Deck.new(record)}
        end

        app.post("/sessions/:uuid/events") do
          content_type :json
          form = Forms::JournalForm.parse(json_body)
          halt 422, JSON.generate(errors: form.errors) unless form.valid?

          JSON.generate(kept: Actions::KeepJournal.call(session_record, form.values[:events], now: now))
        end

        app.post("/sessions/:uuid/end") do
          redirect to("/sessions/#{Actions::EndSession.call(session_record, now: now).uuid}"), 303
        end

        # The simulated oximeter, live: one reading a second from a moment of the plan on (server-sent events).
        app.get("/sessions/:uuid/oximeter") do
          readings = Oximeters.readings(session_record, from_s: params[:at].to_i / 1000)
          content_type "text/event-stream"
          stream do |out|
            readings.each do |reading|
              out << "data: #{JSON.generate(reading.to_h)}\n\n"
              settings.pace.sleep(1)
            end
          end
        end

        # A recorded trace, as a file.
        app.post("/sessions/:uuid/oximeter") do
          file = params[:trace]
          raise Error, "No file was chosen." unless file.is_a?(Hash) && file[:tempfile]

          samples = Formats::OximeterCsv::Reader.read(file[:tempfile].read.force_encoding("UTF-8").scrub)
          Actions::ReadOximeterTrace.call(session_record, samples, now: now)
          redirect to("/sessions/#{params[:uuid]}"), 303
        end

        app.get("/sessions/:uuid") { session_sheet(session_record) }

        # What the verdict would be with what stands in the form now; keeps nothing.
        app.post("/sessions/:uuid/verdict") do
          record = session_record
          form = Forms::RatingForm.parse(params)
          Presenters::VerdictPanel.preview(record, form.columns) if form.valid?
          partial :"sessions/verdict", panel: Presenters::VerdictPanel.new(record, rating: form)
        end

        app.post("/sessions/:uuid/rating") do
          form = Forms::RatingForm.parse(params)
          next session_sheet(session_record, rating: form) unless form.valid?

          Actions::RateSession.call(session_record, form.columns, now: now)
          redirect to("/sessions/#{session_record.uuid}"), 303
        end

        app.post("/sessions/:uuid/decision") do
          rating = Forms::RatingForm.parse(params)
          next session_sheet(session_record, rating: rating) unless rating.valid?

          record = Actions::RateSession.call(session_record, rating.columns, now: now)
          verdict = Actions::JudgeDay.call(record) or raise Error, Presenters::VerdictPanel::NOT_OFFERED
          decision = Forms::DecisionForm.parse(params, verdict: verdict.verdict)
          next session_sheet(record, decision: decision) unless decision.valid?

          Actions::Decide.call(record, verdict, decided: decision.decided(verdict.verdict),
            because: decision.values[:because], now: now)
          redirect to("/athletes/#{record.athlete_id}"), 303
        end
      end

      module Helpers
        def session_record = Records::Session.where(account_id: account.id).find_by!(uuid: params[:uuid])

        def session_sheet(record, rating: nil, decision: nil)
          status 422 if rating || decision
          page = Presenters::SessionSheet.new(record, rating: rating)
          erb :"sessions/show", locals: {title: page.title, page: page,
                                         panel: Presenters::VerdictPanel.new(record, rating: rating, decision: decision)}
        end

        def json_body
          body = JSON.parse(request.body.read)
          body.is_a?(Hash) ? body : {}
        rescue JSON::ParserError
          {}
        end
      end
    end
  end
end
