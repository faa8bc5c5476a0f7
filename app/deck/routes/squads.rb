# frozen_string_literal: true

module Windlass
  module Routes
    # Several athletes together on one deck.
    module Squads
      def self.registered(app)
        app.helpers Helpers

        app.post("/squads", may: :runs) do
          chosen =
            account.of(Records::Prescription)
              .where(id: chosen_sessions)
              .includes(:athlete)
              .sort_by { |one| [one.athlete.name.downcase, one.id] }
          unasked =
            Actions::AskSquad.call(
              chosen.map(&:athlete).uniq,
              clear: listed(:clear),
              watcher: said(:watcher)[0, 80],
              now: now
            )
          before = Presenters::BeforeTogether.new(chosen, unasked, now: now)
          if before.asks? || before.chooses? || said(:look) == "yes"
            next erb(:"squads/ask", locals: {title: "Before they begin", page: before})
          end

          redirect to("/squads/#{Actions::PlanSquad.call(account, chosen, now: now).uuid}"), 303
        end

        app.get("/squads/:uuid", may: :runs) { squad_sheet(squad) }

        app.post("/squads/:uuid", may: :runs) do
          record = squad(:timeline, :athlete)
          form = Forms::SquadForm.parse(params, names: record.sessions.map { |session| session.athlete.name })
          next squad_sheet(record, form: form) unless form.valid?

          Actions::ArrangeSquad.call(
            record,
            settings: form.settings,
            pairs: form.pairs(record.sessions.size),
            how: form.how,
            starts: form.given_starts(record.sessions.size)
          )
          redirect to("/squads/#{record.uuid}"), 303
        end

        app.post("/squads/:uuid/smooth", may: :runs) do
          record = squad(:rounds, :journal_events, :timeline, :athlete)
          rated = Actions::RestSmooth.call(record, except: listed(:except).map(&:to_i), now: now)
          tell "#{Words.count(rated, "first breath")} smooth." if rated > 0
          redirect to("/squads/#{record.uuid}"), 303
        end

        app.get("/squads/:uuid/follow", may: :runs) do
          record = squad
          follow_page(Presenters::FollowScreen.new(record.sessions.to_a, path: "/squads/#{record.uuid}"))
        end

        app.get("/squads/:uuid/told", may: :runs) { told(squad.sessions.to_a) }

        app.get("/squads/:uuid/deck", may: :runs) do
          record = squad
          redirect to("/squads/#{record.uuid}"), 303 if record.over?
          outdated = Actions::PlanSession.outdated(record.sessions, now: now)
          redirect to("/prescriptions/#{outdated.prescription_id}"), 303 if outdated

          page = Presenters::SquadDeck.new(record, keys: run_keys)
          erb :"squads/deck", layout: :deck_layout, locals: {title: page.title, page: page}
        end
      end

      module Helpers
        # All that a sheet or a deck asks of the sessions.
        WHOLE = [:timeline, :prescription, {athlete: %i[suspensions screenings clearances account]}].freeze

        # @return [Array<String>] those ticked, and the one chosen of an athlete's several
        def chosen_sessions =
          listed(:prescription) + Array(params[:of].then { |of| of.is_a?(Hash) ? of.values : [] }).grep(/\A\d{1,15}\z/)

        # @param with [Array] what is asked of its sessions
        def squad(*with) =
          account.of(Records::Squad)
            .includes(sessions: with.presence || WHOLE)
            .find_by!(uuid: said(:uuid))

        def squad_sheet(record, form: nil)
          status 422 if form
          page = Presenters::SquadSheet.new(record, form: form)
          erb :"squads/show", locals: {title: page.title, page: page}
        end
      end
    end
  end
end
