# frozen_string_literal: true

module Windlass
  module Routes
    # What an athlete says today.
    module Days
      def self.registered(app)
        app.post("/athletes/:athlete_id/day", may: :runs) do
          form = Forms::DayForm.parse(params)
          raise Error, form.in_short unless form.valid?

          Actions::KeepDay.call(athlete, form.values, now: now)
          redirect to("/athletes/#{athlete.id}"), 303
        end
      end
    end
  end
end
