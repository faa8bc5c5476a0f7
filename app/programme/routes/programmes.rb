# frozen_string_literal: true

module Windlass
  module Routes
    # Weeks ahead: planned, looked at, planned anew, printed, read by a calendar.
    module Programmes
      def self.registered(app)
        app.helpers Helpers

        app.get("/groups/:id/plan", may: :coaches) { plan_page(Presenters::PlanQuestion.of_group(group, today: today)) }

        app.post("/groups/:id/plan", may: :coaches) do
          record = group
          begin_programmes(Presenters::PlanQuestion.of_group(record, today: today), record) do
            redirect to("/groups/#{record.id}/planning"), 303
          end
        end

        # Some after some, with a bar: a large group takes seconds.
        app.get("/groups/:id/planning", may: :coaches) do
          erb :"programme/planning", locals: {title: "Planning", page: Presenters::Planning.new(group)}
        end

        app.post("/groups/:id/planning", may: :coaches) do
          record = group
          Actions::PlanProgramme.fill_some(Presenters::Planning.new(record).waiting, now: now)
          page = Presenters::Planning.new(record)
          if page.waiting.any?
            next(
              (
                if request.env["HTTP_HX_REQUEST"]
                  partial(:"programme/bar", page: page)
                else
                  redirect(to("/groups/#{record.id}/planning"), 303)
                end
              )
            )
          end

          headers "HX-Redirect" => to("/groups/#{record.id}")
          request.env["HTTP_HX_REQUEST"] ? "" : redirect(to("/groups/#{record.id}"), 303)
        end

        app.get("/athletes/:athlete_id/programme", may: :coaches) { programme_sheet }

        app.get("/athletes/:athlete_id/programme/plan", may: :coaches) do
          plan_page(Presenters::PlanQuestion.of_athlete(athlete, today: today))
        end

        # Times of the week of their own, besides those of a group.
        app.get("/athletes/:athlete_id/times", may: :coaches) { times_page(Forms::SlotsForm.from(athlete.slots)) }

        app.post("/athletes/:athlete_id/times", may: :coaches) do
          form = Forms::SlotsForm.parse(params)
          next times_page(form) unless form.valid?

          Actions::KeepGroup.own_times(athlete, form)
          tell "The times are saved. What is planned already changes when you plan anew."
          redirect to("/athletes/#{athlete.id}/programme"), 303
        end

        app.post("/athletes/:athlete_id/programme/plan", may: :coaches) do
          record = athlete
          begin_programmes(
            Presenters::PlanQuestion.of_athlete(record, today: today),
            record.groups.first
          ) do |programmes|
            programmes.each { |programme| Actions::PlanProgramme.fill(programme, now: now) }
            redirect to("/athletes/#{record.id}/programme"), 303
          end
        end

        # What planning anew from today on would change; then it is done.
        app.get("/athletes/:athlete_id/programme/anew", may: :coaches) do
          programme = open_programme
          page = Presenters::ProgrammeSheet.new(programme.athlete, programme, today: today)
          programmes = Windlass::Programmes.new([programme.athlete], now: now)
          changes =
            Presenters::ProgrammeChanges.of(programmes.planner(programme).plan, programmes.ahead(programme))
          erb :"programme/anew", locals: {title: "Plan anew, #{programme.athlete.name}", page: page, changes: changes}
        end

        app.post("/athletes/:athlete_id/programme/anew", may: :coaches) do
          programme = Actions::PlanProgramme.fill(open_programme, now: now)
          tell "Planned anew from today on."
          redirect to("/athletes/#{programme.athlete_id}/programme"), 303
        end

        app.post("/athletes/:athlete_id/programme/end", may: :coaches) do
          open_programme.update!(ended_at: now)
          tell "The programme has ended. What was done stays in the log."
          redirect to("/athletes/#{athlete.id}/programme"), 303
        end

        app.post("/athletes/:athlete_id/absences", may: :coaches) do
          form = Forms::AbsenceForm.parse(params, today: today)
          next programme_sheet(absence: form) unless form.valid?

          Records::Absence.create!(athlete: athlete, **form.columns)
          tell "Away is kept. Plan anew to move what lies there."
          redirect to("/athletes/#{athlete.id}/programme"), 303
        end

        app.post("/absences/:id/remove", may: :coaches) do
          absence = find_in(Records::Absence.where(athlete_id: account.athletes.select(:id)))
          absence.destroy!
          tell "The absence is taken out. Plan anew to use the days."
          redirect to("/athletes/#{absence.athlete_id}/programme"), 303
        end

        app.get("/athletes/:athlete_id/programme/week.pdf", may: :coaches) do
          page = open_sheet
          pdf(Windlass::Papers::Week.of_athlete(page, page.week_on(day(:on) || today)), "week")
        end

        # Post, calendar and paper in one press, behind the page.
        app.post("/athletes/:athlete_id/programme/send", may: :coaches) do
          form = Forms::SendForm.parse(params)
          next programme_sheet(sending: form) unless form.valid?

          page = open_sheet
          date = day(:on) || today
          WeekPost.later(page.athlete, date, to: form.values[:post_to])
          tell "Week #{page.week_on(date).number} goes to #{form.values[:post_to]}."
          redirect to("/athletes/#{athlete.id}/programme"), 303
        end

        app.get("/athletes/:athlete_id/programme.ics", may: :coaches) do
          calendar_file(open_programme.planned_sessions, "Programme of #{athlete.name}")
        end

        app.get("/groups/:id/programme.ics", may: :coaches) { calendar_file(planned_of(group), group.name, who: true) }

        # A calendar reads it by its secret; nobody signs in.
        app.get("/feeds/:secret.ics", may: :anyone) do
          feed = Records::Feed.find_by!(secret: said(:secret))
          halt 410, "This calendar has ended.\n" unless stands?(feed)

          content_type "text/calendar", charset: "utf-8"
          if feed.group
            calendar_of(planned_of(feed.group), feed.group.name, who: true)
          else
            calendar_of(planned_of_athlete(feed.athlete), "Programme of #{feed.athlete.name}")
          end
        end

        app.post("/athletes/:athlete_id/feed", may: :coaches) { make_feed(athlete_id: athlete.id) }

        app.post("/groups/:id/feed", may: :coaches) { make_feed(group_id: group.id) }

        app.post("/feeds/:id/revoke", may: :coaches) do
          feed = find_in(own(Records::Feed))
          feed.destroy!
          tell "The address is revoked: no calendar reads it any more."
          redirect back_to(feed), 303
        end
      end

      module Helpers
        def open_programme
          whose = athlete
          Records::Programme.open.find_by!(athlete_id: whose.id).tap { |one| one.association(:athlete).target = whose }
        end

        def open_sheet = Presenters::ProgrammeSheet.new(open_programme.athlete, open_programme, today: today)

        def programme_sheet(event: nil, absence: nil, sending: nil)
          status 422 if event || absence || sending
          record = athlete
          page =
            Presenters::ProgrammeSheet.new(record, Records::Programme.open.find_by(athlete_id: record.id), today: today)
          erb :"programme/athlete",
            locals: {
              title: page.title,
              page: page,
              event: event || Forms::EventForm.blank(local_date: today.to_s),
              feed: Records::Feed.find_by(athlete_id: record.id),
              sending: sending || Forms::SendForm.blank(post_to: record.post_to),
              absence: absence || Forms::AbsenceForm.blank(from_on: today.to_s, to_on: today.to_s)
            }
        end

        def times_page(form)
          status 422 unless form.valid?
          erb :"programme/times", locals: {title: "Times, #{athlete.name}", form: form, athlete: athlete}
        end

        def plan_page(question, form = nil)
          status 422 if form
          erb :"programme/plan",
            locals: {
              title: "Plan weeks, #{question.name}",
              page: question,
              form: form || question.form
            }
        end

        def begin_programmes(question, group)
          form = Forms::ProgrammeForm.parse(params, today: today)
          return plan_page(question, form) unless form.valid?

          yield(
            Actions::PlanProgramme.begin(
              question.athletes,
              times: question.times(form),
              now: now,
              group: group,
              **form.values.slice(:starts_on, :weeks).merge(easy_every: form.values[:easy_every])
            )
          )
        end

        def planned_of(group) =
          Records::PlannedSession
            .where(programme_id: Records::Programme.open.where(athlete_id: group.athletes.map(&:id)))
            .includes(:athlete, :prescription)
            .in_order

        def planned_of_athlete(record) =
          Records::PlannedSession
            .where(programme_id: Records::Programme.open.where(athlete_id: record.id))
            .includes(:athlete, :prescription)
            .in_order

        def calendar_of(planned, name, who: false) =
          ProgrammeCalendar.of(planned.includes(:athlete, :prescription), name: name, now: now, who: who)

        def calendar_file(planned, name, who: false)
          content_type "text/calendar", charset: "utf-8"
          attachment "windlass-programme-#{today}.ics"
          calendar_of(planned, name, who: who)
        end

        # Whoever it is of trains here still, and whoever made it coaches them still; of one that was made before there
        # was a sign-in nobody is known.
        def stands?(feed)
          return false if feed.athlete&.left_on
          return true unless feed.made_by

          seen = Sight.of_maker(house, feed.made_by, on: today) or return false
          feed.group ? seen.of(Records::Group).exists?(id: feed.group_id) : seen.athletes.exists?(id: feed.athlete_id)
        end

        def make_feed(**of_one)
          feed =
            Records::Feed.find_or_create_by!(**of_one) do |one|
              one.assign_attributes(secret: SecureRandom.urlsafe_base64(32), made_at: now, made_by: person.id)
            end
          redirect back_to(feed), 303
        end
      end
    end
  end
end
