# frozen_string_literal: true

module Windlass
  module Routes
    module Suspensions
      def self.registered(app)
        app.post("/suspensions/:id/clearance", may: :coaches) do
          suspension = find_in(account.of(Records::Suspension).where(kind: "stop"))
          form = Forms::ClearanceForm.parse(params, today: today, opened_on: suspension.opened_at.getlocal.to_date)
          if form.valid?
            look_twice(suspension.athlete) { Queries::CoachLooks.at_clearance(suspension) }
            Actions::ClearStop.call(suspension, form.values, now: now)
            redirect to("/athletes/#{suspension.athlete_id}"), 303
          else
            status 422
            page = Presenters::AthleteSheet.new(suspension.athlete, now: now)
            erb :"athletes/show", locals: {title: page.name, page: page, clearance: form}
          end
        end
      end
    end
  end
end
