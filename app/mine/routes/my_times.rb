# frozen_string_literal: true

module Windlass
  module Routes
    # When somebody can train, and when they are away: said by themselves, planned by their coach.
    module MyTimes
      def self.registered(app)
        app.helpers Helpers

        app.get("/mine/times", may: :own) { my_times }

        app.post("/mine/times", may: :own) do
          form = Forms::SlotsForm.parse(params)
          next my_times(times: form) unless form.valid?

          Actions::KeepGroup.own_times(own_athlete, form)
          tell "Your times are kept. Your coach plans in them."
          redirect to("/mine/times"), 303
        end

        app.post("/mine/away", may: :own) do
          form = Forms::AbsenceForm.parse(params, today: today)
          next my_times(away: form) unless form.valid?

          Records::Absence.create!(athlete: own_athlete, **form.columns)
          tell "Your days away are kept. Your coach plans around them."
          redirect to("/mine/times"), 303
        end

        app.post("/mine/away/:id/remove", may: :own) do
          find_in(Records::Absence.where(athlete_id: own_athlete.id)).destroy!
          tell "You are there on these days."
          redirect to("/mine/times"), 303
        end
      end

      module Helpers
        def my_times(times: nil, away: nil)
          status 422 if times || away
          ahead = Records::Absence.where(athlete_id: own_athlete.id, to_on: today..).order(:from_on)
          erb :"mine/times",
            locals: {
              title: "My times",
              times: times || Forms::SlotsForm.from(own_athlete.slots),
              away: away || Forms::AbsenceForm.blank(from_on: today.to_s, to_on: today.to_s),
              absences: ahead.to_a
            }
        end
      end
    end
  end
end
