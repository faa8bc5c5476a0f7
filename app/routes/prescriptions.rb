# frozen_string_literal: true

module Windlass
  module Routes
    module Prescriptions
      def self.registered(app)
        app.helpers Helpers

        app.post("/athletes/:athlete_id/prescriptions") do
          protocol = Protocols.find(params[:protocol].to_s)
          prescription = Actions::Prescribe.call(athlete, protocol, now: now)
          raise Error, "#{protocol.name} needs #{protocol.needs} first." unless prescription

          redirect to("/prescriptions/#{prescription.id}"), 303
        end

        app.get("/prescriptions/:id") do
          page = Presenters::PrescriptionSheet.new(prescription, now: now)
          erb :"prescriptions/show", locals: {title: page.title, page: page}
        end

        app.post("/prescriptions/:id/sessions") do
          redirect to("/sessions/#{Actions::PlanSession.call(prescription, now: now).uuid}/deck"), 303
        end
      end

      module Helpers
        def prescription
          Records::Prescription.where(account_id: account.id).find(Integer(params[:id], 10))
        rescue ArgumentError, RangeError
          raise ActiveRecord::RecordNotFound
        end
      end
    end
  end
end
