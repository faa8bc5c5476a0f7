# frozen_string_literal: true

module Windlass
  module Routes
    # The place: what the emergency card says.
    module Place
      def self.registered(app)
        app.helpers Helpers

        app.get("/place") { place_page(Forms::PlaceForm.blank(account.slice(:emergency_number, :site, :oxygen_at, :defibrillator_at))) }

        app.post("/place") do
          form = Forms::PlaceForm.parse(params)
          next place_page(form) unless form.valid?

          account.update!(form.columns)
          tell "Kept. The emergency card says it from now on."
          redirect to("/place"), 303
        end
      end

      module Helpers
        def place_page(form)
          status 422 unless form.valid?
          erb :"place/show", locals: {title: "The place", form: form, card: Presenters::EmergencyCard.new(account.place)}
        end
      end
    end
  end
end
