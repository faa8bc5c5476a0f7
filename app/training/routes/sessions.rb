# frozen_string_literal: true

module Windlass
  module Routes
    module Sessions
      def self.registered(app)
        app.helpers Helpers

        # Two devices ran the same: which of them it was, or both.
        app.post("/sessions/:uuid/twins", may: :coaches) do
          record = session_record
          Actions::DuplicateRun.settle(record, was: said(:was), now: now)
          redirect to("/sessions/#{said(:was).empty? ? record.uuid : said(:was)}"), 303
        end

        app.post("/sessions/:uuid/end", may: :runs) do
          redirect to("/sessions/#{Actions::EndSession.call(session_record, now: now).uuid}"), 303
        end

        app.post("/sessions/:uuid/give-up", may: :coaches) do
          rated do |record|
            Actions::GiveUpDay.call(record)
            redirect to("/sessions/#{record.uuid}"), 303
          end
        end

        app.post("/sessions/:uuid/take-up", may: :coaches) do
          Actions::GiveUpDay.call(session_record, given_up: false)
          redirect to("/sessions/#{said(:uuid)}"), 303
        end

        app.post("/sessions/:uuid/discard", may: :coaches) do
          rated do |record|
            Actions::DiscardSession.call(record, now: now)
            tell "It is discarded.", undo: "/sessions/#{record.uuid}/bring-back"
            redirect to("/athletes/#{record.athlete_id}"), 303
          end
        end

        app.post("/sessions/:uuid/bring-back", may: :coaches) do
          Actions::DiscardSession.bring_back(session_record)
          redirect to("/sessions/#{said(:uuid)}"), 303
        end

        app.post("/sessions/:uuid/photos", may: :coaches) do
          Actions::KeepPhoto.call(session_record, uploaded_bytes(:photo), now: now)
          tell "The photograph is kept."
          redirect to("/sessions/#{said(:uuid)}"), 303
        end

        # Shown as what it is, and as nothing else.
        app.get("/photos/:uuid", may: :coaches) do
          photo = account.of(Records::Photo).find_by!(uuid: said(:uuid))
          raise Error, "This photograph can not be read, for the key of the house is missing." if photo.bytes.empty?

          content_type photo.media_type
          headers "Content-Disposition" => "inline"
          photo.bytes
        end

        app.get("/sessions/:uuid", may: :runs) { session_sheet(session_record) }

        # What the verdict would be with what stands in the form now; keeps nothing, and leads to no deed.
        app.post("/sessions/:uuid/verdict", may: :coaches) do
          record = run_record
          form = rating_form(record)
          Actions::RateSession.assign(record, form.columns) if form.valid?
          partial :"sessions/verdict", panel: Presenters::VerdictPanel.new(record, rating: form, today: today)
        end

        app.post("/sessions/:uuid/rating", may: :runs) {
          rated { |record|
            redirect to("/sessions/#{record.uuid}"), 303
          }
        }

        app.post("/sessions/:uuid/decision", may: :coaches) do
          rated do |record|
            sets = record.sets_of_the_day
            verdict = Queries::JudgeDay.call(record, of_the_day: sets) or
              raise Error, Queries::JudgeDay::NOT_OFFERED
            decision = Forms::DecisionForm.parse(params, verdict: verdict.verdict)
            next session_sheet(record, decision: decision) unless decision.valid?

            decided = decision.decided(verdict.verdict)
            look_twice(record.athlete) { Queries::CoachLooks.at_decision(verdict, decided) }
            move =
              Actions::Decide.call(
                record,
                verdict,
                decided: decided,
                because: decision.values[:because],
                now: now,
                of_the_day: sets
              )
            tell Presenters::VerdictWords.told(move),
              undo: ("/moves/#{move.id}/back" if Queries::StillOpen.retractable?(move)),
              further: next_decision(record.athlete_id)
            redirect to("/athletes/#{record.athlete_id}"), 303
          end
        end
      end

      module Helpers
        # @param after [Integer] of whom something was decided just now: whoever else waits comes first
        # @return [String, nil] where the next day waits for a decision
        def next_decision(after)
          everybody = account.active_athletes.by_name
          [everybody.where.not(id: after), everybody.where(id: after)].each do |some|
            row = Presenters::Desk::Entries.new(account, some, now: now).decisions.first
            return "/sessions/#{row.uuid}" if row
          end
          nil
        end

        def session_record = account.of(Records::Session).find_by!(uuid: said(:uuid))

        # What was not run is neither rated nor decided.
        def run_record
          session_record.tap do |record|
            raise Error, "This session was not run to an end yet, so there is nothing to judge." unless record.over?
          end
        end

        # Of who decides nothing, place and note stay what they were.
        def rating_form(record) =
          Forms::RatingForm.parse(
            may?(:coaches) ? params : params.merge("place" => record.place, "note" => record.note),
            beat_ms: record.beat_ms,
            held_ms: record.rounds.to_h { |round| [round.number, round.unmarked ? :unmarked : round.held_ms] },
            effort: record.effort
          )

        # Whatever is pressed on the sheet keeps first what stands in it; faulty, it comes back as it was typed.
        # @yieldparam record [Records::Session]
        def rated
          record = run_record
          form = rating_form(record)
          return session_sheet(record, rating: form) unless form.valid?

          Actions::RateSession.call(record, form.columns, now: now)
          yield record
        end

        def session_sheet(record, rating: nil, decision: nil)
          status 422 if rating || decision
          page = Presenters::SessionSheet.new(record, rating: rating)
          erb :"sessions/show",
            locals: {
              title: page.title,
              page: page,
              panel:
                Presenters::VerdictPanel.new(
                  record, rating: rating, decision: decision, today: today, sets: page.sets_of_the_day
                )
            }
        end
      end
    end
  end
end
