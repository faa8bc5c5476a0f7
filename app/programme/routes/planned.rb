# frozen_string_literal: true

module Windlass
  module Routes
    # One planned session: why it lies there, and where else it may lie.
    module Planned
      def self.registered(app)
        app.helpers Helpers

        app.get("/planned/:uuid", may: :coaches) do
          page = Presenters::PlannedSheet.new(planned_session, now: now)
          erb :"programme/planned", locals: {title: page.title, page: page}
        end

        # Where it may lie, for the grid's script while it is carried.
        app.get("/planned/:uuid/choices.json", may: :coaches) do
          content_type :json
          planned = planned_session
          JsonText.of(
            Queries::SlotTrial
              .choices(planned, now: now)
              .map do |choice|
                {
                  date: choice.date, at: choice.slot.at, at_min: choice.slot.at_min, refusal: choice.refusal,
                  here: choice.here, seen: planned.sequence
                }
              end
          )
        end

        app.post("/planned/:uuid/move", may: :coaches) do
          planned = planned_session
          moved = Actions::MovePlanned.call(planned, date: day(:date), at_min: whole(:at_min), seen: seen, now: now)
          tell "#{moved.name} lies on #{Words.date(moved.local_date)} at #{moved.at} now.",
            undo: "/planned/#{moved.uuid}/back?seen=#{moved.sequence}"
          redirect to("/athletes/#{moved.athlete_id}/programme"), 303
        end

        app.post("/planned/:uuid/back", may: :coaches) do
          planned = planned_session
          Actions::MovePlanned.back(planned, seen: seen, now: now)
          redirect to("/athletes/#{planned.athlete_id}/programme"), 303
        end
      end

      module Helpers
        # What was seen of it when it was picked up; -1 where nobody says.
        def seen = Integer(said(:seen), 10, exception: false) || -1

        def planned_session =
          Records::PlannedSession
            .where(programme_id: account.of(Records::Programme).select(:id))
            .find_by!(uuid: said(:uuid))
      end
    end
  end
end
