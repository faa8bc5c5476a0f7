# frozen_string_literal: true

module Windlass
  module Routes
    # What an athlete does alone, on their own page: starts what is planned, says how it was.
    module Mine
      def self.registered(app)
        app.helpers Helpers

        app.get("/mine", may: :own) { own_record.left_on ? left_page : my_page }

        # They go by themselves; what is to be planned without them is said on Today.
        app.post("/mine/leave", may: :own) do
          raise Error, "Nobody else coaches here: there is nobody to leave." if may?(:coaches)

          own_athlete.update_columns(left_on: today)
          redirect to("/mine"), 303
        end

        # Today's questions stand on the page: what they say is kept, and may forbid it.
        app.post("/mine/train/:id", may: :own) do
          record = find_in(account.of(Records::Prescription).where(athlete_id: own_athlete.id))
          consenting(own_athlete)
          day = Forms::DayForm.parse(params)
          raise Error, day.in_short unless day.valid?

          look_twice(own_athlete) { Queries::CoachLooks.at_start(record.to_standing(on: today)) } if may?(:coaches)
          said_before = own_athlete.day_on(today).slice(:watcher, :oximeter).symbolize_keys
          Actions::KeepDay.call(own_athlete, {**said_before, **day.values}, now: now) if said(:asked) == "yes"
          start_alone(record.reload)
        end

        # Done without the phone: said here, and told of like any other.
        app.post("/mine/done", may: :own) do
          consenting(own_athlete)
          form = Forms::DoneForm.parse(params, today: today)
          next my_page(form) unless form.valid?

          record = find_in(account.of(Records::Prescription).where(athlete_id: own_athlete.id), said(:training))
          line = Presenters::PastSession.as_planned(record, form.moment, today: today)
          entries = Presenters::PastSession.new(record, line, today: today).entries
          redirect to("/mine/sessions/#{Actions::WriteInAlone.call(record, entries, now: now).uuid}"), 303
        end

        app.get("/mine/sessions/:uuid", may: :own) { my_session(own_session) }

        app.post("/mine/sessions/:uuid", may: :own) do
          record = own_session
          raise Error, "This set was not run to an end yet." unless record.over?
          raise Error, "Your coach ran this set, and wrote down how it was." unless record.alone?

          form = Forms::RatingForm.parse(params.except("rounds"), effort: record.effort)
          next my_session(record, form) unless form.valid?

          Actions::RateSession.call(record, form.columns, now: now)
          Actions::MoveByItself.call(record.reload, now: now)
          redirect to("/mine/sessions/#{record.uuid}"), 303
        end
      end

      module Helpers
        # @param done [Forms::DoneForm, nil] where something of it is wrong
        def my_page(done = nil)
          status 422 if done
          page = Presenters::Mine.new(own_athlete, now: now, decides: may?(:coaches), chosen: whole(:set))
          erb :"mine/index",
            locals: {title: "Mine", code: shown_once("code"), page: page, phone: phone, done: done || page.done_now}
        end

        def left_page = erb(:"mine/left", locals: {title: "Mine", athlete: own_record, phone: phone})

        def own_session = account.of(Records::Session).where(athlete_id: own_athlete.id).find_by!(uuid: said(:uuid))

        def my_session(record, form = nil)
          status 422 if form
          page = Presenters::MySession.new(record, form: form, today: today, decides: may?(:coaches))
          erb :"mine/session", locals: {title: page.name, page: page}
        end

        # What stands in the way is said on the page.
        def start_alone(record)
          redirect to("/sessions/#{Actions::PlanSession.call(record, now: now).uuid}/deck"), 303
        rescue Error
          status 422
          my_page
        end
      end
    end
  end
end
