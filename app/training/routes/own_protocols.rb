# frozen_string_literal: true

module Windlass
  module Routes
    # Protocols of the coach's own: kept, copied, prescribed, in and out as YAML.
    module OwnProtocols
      def self.registered(app)
        app.helpers Helpers

        app.post("/own-protocols", may: :coaches) do
          form = Forms::Composed.parse(params, protocol: Protocols.find(said(:protocol))).named
          next composer(form, athlete: composed_for) unless form.valid?

          kept = Actions::KeepOwnProtocol.call(account, protocol: form.protocol, **form.values)
          tell "#{kept.name} is kept."
          redirect to(own_address(kept)), 303
        end

        app.post("/own-protocols/import", may: :coaches) do
          given = Formats::OwnProtocol::Reader.read(uploaded(:file))
          kept = Actions::KeepOwnProtocol.call(account, **given.to_h)
          redirect to("/own-protocols/#{kept.id}"), 303
        end

        app.get(%r{/own-protocols/(\d+)\.yml}, may: :coaches) do |id|
          own = own_protocol(id)
          content_type "application/yaml"
          attachment "#{own.name.downcase.gsub(/[^a-z0-9]+/, "-")}.yml"
          Formats::OwnProtocol::Writer.write(
            Formats::OwnProtocol::Given.new(
              name: own.name,
              protocol: own.to_protocol,
              dose: own.to_dose,
              note: own.note
            )
          )
        end

        # Where a form was refused, a reload comes here.
        app.get("/own-protocols", may: :coaches) { redirect to("/protocols#own"), 303 }

        app.get("/own-protocols/:id", may: :coaches) do
          own = own_protocol(params[:id])
          composer(
            Forms::Composed.from(own.to_dose, own.to_protocol, name: own.name, note: own.note),
            athlete: composed_for,
            own: own
          )
        end

        app.post("/own-protocols/:id", may: :coaches) do
          own = own_protocol(params[:id])
          form = Forms::Composed.parse(params, protocol: own.to_protocol).named
          next composer(form, athlete: composed_for, own: own) unless form.valid?

          own.update!(form.values)
          tell "#{own.name} is kept."
          redirect to(own_address(own)), 303
        end

        app.post("/own-protocols/:id/copy", may: :coaches) do
          own = own_protocol(params[:id])
          copy =
            Actions::KeepOwnProtocol.call(
              account,
              name: "#{own.name[0, 70]}, copy",
              protocol: own.to_protocol,
              dose: own.to_dose,
              note: own.note
            )
          redirect to("/own-protocols/#{copy.id}"), 303
        end

        app.post("/own-protocols/:id/delete", may: :coaches) do
          own = own_protocol(params[:id])
          own.update!(deleted_at: now)
          tell "#{own.name} is deleted. What was prescribed from it stays.", undo: "/own-protocols/#{own.id}/restore"
          redirect to("/protocols"), 303
        end

        app.post("/own-protocols/:id/restore", may: :coaches) do
          own = find_in(account.of(Records::OwnProtocol))
          own.update!(deleted_at: nil)
          redirect to("/own-protocols/#{own.id}"), 303
        end

        app.post("/own-protocols/:id/prescriptions", may: :coaches) do
          own = own_protocol(params[:id])
          raise Error, "#{own.name} is for nobody yet: choose for whom, then prescribe it." unless composed_for

          prescribed(Actions::Prescribe.call(athlete, own.to_protocol, own: own, now: now, ends: said(:ends).to_i))
        end
      end

      module Helpers
        def own_protocol(id) = find_in(account.own_protocols, id)

        # For whom it is composed stays chosen.
        def own_address(own) = "/own-protocols/#{own.id}#{"?athlete_id=#{composed_for.id}" if composed_for}"
      end
    end
  end
end
