# frozen_string_literal: true

module Windlass
  module Routes
    # What is kept of somebody: they agree to it, or take it back; with their coach, by a link, or signed in.
    module Consenting
      def self.registered(app)
        app.helpers Helpers
        with_the_coach(app)
        by_link(app)
        signed_in(app)
      end

      def self.with_the_coach(app)
        app.get("/athletes/:athlete_id/consent", may: :coaches) { consent_page(athlete) }

        app.post("/athletes/:athlete_id/consent", may: :coaches) do
          agree(athlete, by: person.name) do |form|
            next consent_page(athlete, form) if form

            tell "That they agreed is written down."
            redirect to(Presenters::Desk::FirstSteps.path(athlete, now: now) || "/athletes/#{athlete.id}"), 303
          end
        end

        app.post("/athletes/:athlete_id/consent/end", may: :coaches) do
          take_back(athlete, "/athletes/#{athlete.id}/consent")
        end

        app.post("/athletes/:athlete_id/consent-links", may: :coaches) do
          show_once("consent", Actions::KeepConsent.link(athlete, by: person, now: now), whose: athlete.id)
          redirect to("/athletes/#{athlete.id}/consent"), 303
        end

        app.post("/athletes/:athlete_id/consent-links/:id/revoke", may: :coaches) do
          find_in(Records::ConsentLink.good(now).where(athlete_id: athlete.id)).update!(revoked_at: now)
          tell "The link opens nothing any more."
          redirect to("/athletes/#{athlete.id}/consent"), 303
        end
      end

      def self.by_link(app)
        app.get("/consents/:token", may: :anyone) { linked_page }

        app.post("/consents/:token", may: :anyone) do
          agree(consent_link.athlete) { |form| form ? linked_page(form) : redirect(to(linked_path), 303) }
        end

        app.post("/consents/:token/end", may: :anyone) { take_back(consent_link.athlete, linked_path) }

        # A guardian's copy. Somebody of age signs in for theirs.
        app.get("/consents/:token/data.json", may: :anyone) do
          whose = consent_link.athlete
          raise Sinatra::NotFound unless Consents.minor?(whose, today)

          own_copy(whose)
        end
      end

      def self.signed_in(app)
        app.post("/mine/consent", may: :own) do
          agree(own_athlete) { |form| form ? raise(Error, form.in_short) : redirect(to("/mine"), 303) }
        end

        app.post("/mine/consent/end", may: :own) { take_back(own_record, "/mine") }

        app.get("/mine/data.json", may: :own) { own_copy(own_record) }

        Formats::LogCsv::FILES.each_key do |name|
          app.get("/mine/#{name}.csv", may: :own) { own_record && csv_file(name, Forms::LogForm.parse({})) }
        end
      end
      private_class_method :with_the_coach, :by_link, :signed_in

      module Helpers
        # @return [Records::Athlete] as whom somebody is signed in, and who trains here
        def own_athlete = own_record.tap { |one| raise Sinatra::NotFound if one.left_on }

        # @return [Records::Athlete] the same, though they left: what is theirs stays theirs
        def own_record =
          @own_record ||= (account.athletes.by_name.first || raise(Sinatra::NotFound)).tap { |one| self.whose = one.id }

        def consent_link
          @consent_link ||= Records::ConsentLink.opened(params[:token].to_s, now: now) || raise(Sinatra::NotFound)
          self.whose = @consent_link.athlete_id
          @consent_link
        end

        # @return [String, nil] said before something is typed that would not be kept
        def consent_missing(whose) =
          (Consents.missing_words(whose, today) if Consents.missing?(whose, today))

        def linked_path = "/consents/#{params[:token]}"

        # @yieldparam form [Forms::ConsentForm, nil] where something of it is wrong
        def agree(whose, by: "")
          minor = Consents.minor?(whose, today)
          form = Forms::ConsentForm.parse(params, minor: minor)
          return yield(form) unless form.valid?

          Actions::KeepConsent.give(whose, guardian: form.guardian(minor), by: by, now: now)
          yield(nil)
        end

        def take_back(whose, path)
          Actions::KeepConsent.take_back(whose, now: now)
          tell "It is taken back. Nothing new about health is kept from now on."
          redirect to(path), 303
        end

        # Without what their coach noted for themselves.
        def own_copy(whose)
          archive_file(Archive::Writer.new(whose.account, athlete: whose, without: {"athletes" => %w[notes]}), "mine")
        end

        def consent_page(whose, form = Forms::ConsentForm.blank)
          status 422 if form.errors.any?
          secret = shown_once("consent", whose: whose.id)
          erb :"athletes/consent",
            locals: {
              title: "Consent",
              page: Presenters::ConsentPage.new(whose, form: form, now: now,
                link: secret && "#{request.base_url}/consents/#{secret}")
            }
        end

        def linked_page(form = Forms::ConsentForm.blank)
          status 422 if form.errors.any?
          erb :"athletes/consent_by_link",
            layout: :bare_layout,
            locals: {title: "Consent", page: Presenters::ConsentPage.new(consent_link.athlete, form: form, now: now)}
        end
      end
    end
  end
end
