# frozen_string_literal: true

module Windlass
  module Routes
    # How somebody comes into the house: its first person by the code, everybody else by an invitation.
    module Entrance
      def self.registered(app)
        app.helpers Helpers

        app.get("/setup", may: :anyone) do
          redirect to("/sign-in"), 303 if Records::Person.any?
          entrance(:"people/setup", "Set the house up", Forms::PersonForm.blank)
        end

        app.post("/setup", may: :anyone) do
          coming_in(:"people/setup", "Set the house up") do |form|
            self.doer = Actions::SetUp.call(house, form, code: said(:code), alone: said(:whose) == "mine", now: now)
          end
        end

        app.get("/invitations/:token", may: :anyone) do
          entrance(:"people/invitation", "An invitation", Forms::PersonForm.blank, invitation: invitation)
        end

        # A preview of a messenger opens links: only a press takes it.
        app.post("/invitations/:token", may: :anyone) do
          if person && said(:as) == "me"
            Actions::Invite.take(invitation, person, now: now)
            redirect to("/"), 303
          end

          found = invitation
          coming_in(:"people/invitation", "An invitation", invitation: found) do |form|
            Records::Person.transaction do
              self.doer = Actions::AddPerson.call(house, form, now: now)
              Actions::Invite.take(found, doer, now: now)
            end
          end
        end
      end

      module Helpers
        # Who did it, where nobody was signed in before.
        attr_accessor :doer

        # Number of the athlete whom a link or a sign-in is about, where the address does not say it.
        attr_accessor :whose

        def invitation
          @invitation ||= Records::Invitation.open(params[:token].to_s, now: now) || raise(Sinatra::NotFound)
        end

        def entrance(view, title, form, faults: [], **more)
          erb view, layout: :bare_layout, locals: {title: title, form: form, faults: faults, **more}
        end

        # What was typed stays where something of it is wrong.
        def coming_in(view, title, **more)
          form = Forms::PersonForm.parse(params)
          faults = form.valid? ? taken(form) { yield form } : form.errors.map { |field, fault| "#{field}: #{fault}" }
          return redirect(to("/sign-in"), 303) if faults.empty?

          status 422
          entrance(view, title, form, faults: faults, **more)
        end

        # @return [Array<String>] why it was not
        def taken(form)
          yield form
          []
        rescue InvalidInput => error
          error.faults
        rescue Sinatra::NotFound, ActiveRecord::RecordNotFound
          raise
        rescue Error => error
          [error.message]
        end
      end
    end
  end
end
