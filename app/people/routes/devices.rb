# frozen_string_literal: true

module Windlass
  module Routes
    # An athlete's own phone, bound without a password.
    module Devices
      def self.registered(app)
        app.helpers Helpers
        with_the_coach(app)
        on_the_phone(app)
      end

      def self.with_the_coach(app)
        app.get("/athletes/:athlete_id/devices", may: :coaches) { devices_page }

        app.post("/athletes/:athlete_id/devices", may: :coaches) do
          show_once("device", Actions::BindDevice.link(athlete, by: person, now: now), whose: athlete.id)
          redirect to("/athletes/#{athlete.id}/devices"), 303
        end

        app.post("/athletes/:athlete_id/devices/:id/revoke", may: :coaches) do
          Actions::BindDevice.revoke(find_in(Records::Device.where(athlete_id: athlete.id)), now: now)
          tell "That phone opens nothing here any more."
          redirect to("/athletes/#{athlete.id}/devices"), 303
        end
      end

      def self.on_the_phone(app)
        # The installed application does not share the browser's cookie: it asks for the code.
        app.get("/devices/code", may: :anyone) { code_page }

        app.post("/devices/code", may: :anyone) do
          found = Records::Device.coded(said(:code), now: now)
          next code_page(fault: "No phone has this code, or it is older than a quarter of an hour.") unless found

          Actions::BindDevice.taken_along(found)
          bound(found)
          redirect to("/mine"), 303
        end

        app.get("/devices/who", may: :anyone) do
          raise Sinatra::NotFound if phone.devices.empty?

          erb :"people/who", layout: :bare_layout, locals: {title: "Who is it?", phone: phone}
        end

        app.post("/devices/who", may: :anyone) do
          found = phone.devices.find { |one| one.id == whole(:device) } || raise(Sinatra::NotFound)
          phone.held_by(found)
          self.doer = found.person
          redirect to("/mine"), 303
        end

        # A preview of a messenger opens links: only a press binds.
        app.get("/devices/:token", may: :anyone) do
          erb :"people/bind", layout: :bare_layout, locals: {title: "Your phone", athlete: linked_device.athlete}
        end

        app.post("/devices/:token", may: :anyone) do
          found = linked_device
          show_once("code", Actions::BindDevice.call(found, name: SignIn.device(request.user_agent), now: now))
          bound(found)
          redirect to("/mine"), 303
        end

        app.post("/mine/devices/end", may: :own) do
          phone.device&.then do |one|
            Actions::BindDevice.revoke(one, now: now)
            response.set_cookie(Phone.cookie, phone.without(one))
          end
          redirect to("/mine"), 303
        end
      end
      private_class_method :with_the_coach, :on_the_phone

      module Helpers
        def phone = @phone ||= Phone.new(request)

        def linked_device =
          @linked_device ||= Records::Device.linked(params[:token].to_s, now: now) || raise(Sinatra::NotFound)

        def bound(device)
          self.doer = device.person
          self.whose = device.athlete_id
          response.set_cookie(Phone.cookie, phone.with(device))
          phone.held_by(device)
        end

        def devices_page
          secret = shown_once("device", whose: athlete.id)
          erb :"people/devices",
            locals: {
              title: "Phones of #{athlete.name}",
              page: Presenters::DevicesPage.new(athlete, now: now,
                link: secret && "#{request.base_url}/devices/#{secret}")
            }
        end

        def code_page(fault: nil)
          status 422 if fault
          erb :"people/code", layout: :bare_layout, locals: {title: "A code", fault: fault}
        end
      end
    end
  end
end
