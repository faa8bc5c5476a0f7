# frozen_string_literal: true

module Windlass
  module Routes
    # Protocols of the coach's own: kept, copied, prescribed, in and out as YAML.
    module OwnProtocols
      def self.registered(app)
        app.helpers Helpers

        app.post("/own-protocols") do
          family = Protocols.find(params[:protocol].to_s)
          form = Forms::DoseForm.parse(params, protocol: family).named
          next composer(form, athlete: composed_for) unless form.valid?

          kept = Actions::KeepOwnProtocol.call(account, protocol: family, **form.values)
          redirect to("/own-protocols/#{kept.id}"), 303
        end

        app.post("/own-protocols/import") do
          file = params[:file]
          raise Error, "No file was chosen." unless file.is_a?(Hash) && file[:tempfile]

          given = Formats::OwnProtocol::Reader.read(file[:tempfile].read.force_encoding("UTF-8").scrub)
          kept = Actions::KeepOwnProtocol.call(account, **given.to_h)
          redirect to("/own-protocols/#{kept.id}"), 303
        end

        app.get(%r{/own-protocols/(\d+)\.yml}) do |id|
          own = own_protocol(id)
          content_type "application/yaml"
          attachment "#{own.name.downcase.gsub(/[^a-z0-9]+/, "-")}.yml"
          Formats::OwnProtocol::Writer.write(Formats::OwnProtocol::Given.new(name: own.name, protocol: own.to_protocol, dose: own.to_dose, note: own.note))
        end

        app.get("/own-protocols/:id") do
          own = own_protocol(params[:id])
          composer(Forms::DoseForm.from(own.to_dose, own.to_protocol, name: own.name, note: own.note), athlete: composed_for, own: own)
        end

        app.post("/own-protocols/:id") do
          own = own_protocol(params[:id])
          form = Forms::DoseForm.parse(params, protocol: own.to_protocol).named
          next composer(form, athlete: composed_for, own: own) unless form.valid?

          own.update!(form.values)
          redirect to("/own-protocols/#{own.id}"), 303
        end

        app.post("/own-protocols/:id/copy") do
          own = own_protocol(params[:id])
          copy = Actions::KeepOwnProtocol.call(account, name: "#{own.name[0, 70]}, copy", protocol: own.to_protocol, dose: own.to_dose, note: own.note)
          redirect to("/own-protocols/#{copy.id}"), 303
        end

        app.post("/own-protocols/:id/delete") do
          own_protocol(params[:id]).destroy!
          redirect to("/protocols"), 303
        end

        app.post("/own-protocols/:id/prescriptions") do
          own = own_protocol(params[:id])
          raise Error, "#{own.name} is for nobody yet: choose for whom, then prescribe it." if params[:athlete_id].to_s.empty?

          prescription = Actions::Prescribe.call(athlete, own.to_protocol, own: own, now: now)
          redirect to("/prescriptions/#{prescription.id}"), 303
        end
      end

      module Helpers
        def own_protocol(id) = find_in(account.own_protocols, id)
      end
    end
  end
end
