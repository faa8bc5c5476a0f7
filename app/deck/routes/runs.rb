# frozen_string_literal: true

module Windlass
  module Routes
    # A session that runs: its deck, what a deck sends, and who looks on.
    module Runs
      def self.registered(app)
        app.helpers Helpers

        app.get("/sessions/:uuid/deck", may: :decks) do
          record = session_record
          if Actions::PlanSession.outdated([record], now: now)
            redirect to(may?(:runs) ? "/prescriptions/#{record.prescription_id}" : "/mine"), 303
          end

          page = Presenters::Deck.new(record, keys: run_keys)
          erb :"sessions/deck", layout: :deck_layout, locals: {title: "#{page.name}: #{page.title}", page: page}
        end

        # Each event is kept or refused by itself; what was refused is named, so that it is not sent for ever.
        app.post("/sessions/:uuid/events", may: :marks) do
          content_type :json
          form = Forms::JournalForm.parse(json_body)
          planned, marks, late = marking(form)
          halt 422, JsonText.of(errors: {events: form.fault}) unless form.valid?
          # Nothing of it was ever begun by right: it is refused by name, so that it is not sent for ever.
          next JsonText.of(kept: [], refused: form.refused + late) unless planned

          record = Actions::DuplicateRun.for(planned, form.device, marks, now: now)
          kept = Actions::KeepJournal.call(record, marks, now: now, told: form.told)
          Actions::MoveByItself.call(record, now: now) if record.over? && record.effort
          JsonText.of(kept: kept, refused: form.refused + late)
        end

        # A second screen: cue, figure and line, without keys.
        app.get("/sessions/:uuid/follow", may: :runs) do
          record = session_record
          follow_page(Presenters::FollowScreen.new([record], path: "/sessions/#{record.uuid}"))
        end

        app.get("/sessions/:uuid/told", may: :decks) { told([session_record]) }

        # The simulated oximeter: the readings of the next half minute from a moment of the plan on, one a second. A
        # device that is read in the browser would take its place; no request of ours waits for one.
        app.get("/sessions/:uuid/oximeter", may: :decks) do
          content_type :json
          JsonText.of(readings: Oximeters.readings(session_record, from_s: whole(:at) / 1000).map(&:to_h))
        end

        # A recorded trace, as a file.
        app.post("/sessions/:uuid/oximeter", may: :runs) do
          uuid = session_record.uuid
          take_in(Windlass::Imports::OximeterFile, uploaded_bytes(:trace), session: uuid)
        end
      end

      module Helpers
        def run_keys =
          RunKeys.new(settings.session_secret, maker: person&.id, device: phone.device, at: now)

        # By the key of the run, or by the right to its deck.
        # @param form [Forms::JournalForm]
        # @return [Array(Records::Session, Array<Hash>, Array<Hash>)] marks that are taken, and those that are not; no
        #   session where it is a set that was never begun by right
        def marking(form)
          found = house.of(Records::Session).find_by(uuid: said(:uuid)) || laid_set(form)
          holder = found && run_keys.holder(found, form.key, now: now)
          return [begun(of_their_decks(found), form.events), form.events, []] unless holder

          Records::Doing.person = holder.person
          marks, late = Actions::SortMarks.call(house, holder, found, form.events, now: now)
          return [nil, [], late] if marks.empty? && late.any? && found.is_a?(Records::LaidSet)

          [begun(found, marks), marks, late]
        end

        # What is run for the first time of a set that lies on a phone has a number that the phone gave it.
        def laid_set(form) =
          (house.of(Records::LaidSet).find_by(uuid: form.laid_set) if Forms::JournalForm::UUID.match?(said(:uuid)))

        def begun(found, marks)
          return found unless found.is_a?(Records::LaidSet)
          raise Sinatra::NotFound if marks.empty?

          Actions::BeginLaidSet.call(found, said(:uuid), marks, now: now)
        end

        def of_their_decks(found)
          sign_in_first unless person
          seeing(:decks)
          found.is_a?(Records::LaidSet) ? account.of(Records::LaidSet).find(found.id) : session_record
        end

        def follow_page(page) = erb(:"sessions/follow", layout: :deck_layout, locals: {title: page.title, page: page})

        # Reckoning the squares takes longer than the page that shows them.
        def follow_code(path)
          content_type :svg
          partial :"partials/follow_code", follow: Presenters::FollowLink.new(path, base: request.base_url)
        end

        # Where each run stood when its deck last said so, and how long ago that was.
        def told(records)
          content_type :json
          Records::Record.read_along(records, athlete: :suspensions)
          JsonText.of(
            lanes:
              records.map do |record|
                {
                  state: record.told,
                  age_ms: record.told_at && ((now - record.told_at) * 1000).round,
                  stopped: record.athlete.suspension_on(today)&.stop? || false
                }
              end
          )
        end

        def json_body
          JSON.parse(request.body.read)
        rescue JSON::ParserError, EncodingError
          nil
        end
      end
    end
  end
end
