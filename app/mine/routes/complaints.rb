# frozen_string_literal: true

module Windlass
  module Routes
    # What somebody felt and tells by themselves, and the coach who has seen it.
    module Complaints
      def self.registered(app)
        app.helpers Helpers

        app.get("/mine/felt", may: :own) do
          felt_page(Forms::FeltForm.blank(uuid: SecureRandom.uuid, felt_on: today.iso8601, strength: "2"))
        end

        app.post("/mine/felt", may: :own) do
          form = Forms::FeltForm.parse(params, today: today)
          next felt_page(form) unless form.valid?

          consenting(own_athlete) unless form.stops?
          Actions::TellComplaint.call(own_athlete, form.values, now: now)
          tell "Your coach reads it first thing."
          redirect to("/mine"), 303
        end

        app.post("/complaints/:uuid/seen", may: :coaches) do
          found = account.of(Records::Complaint).find_by!(uuid: said(:uuid))
          found.update!(seen_at: now, seen_by: Records::Doing.uuid) unless found.seen_at
          redirect to("/"), 303
        end
      end

      module Helpers
        def felt_page(form)
          own_athlete
          status 422 unless form.valid?
          erb :"mine/felt", locals: {title: "I felt bad", form: form, page: Presenters::Felt.new(today: today)}
        end
      end
    end
  end
end
