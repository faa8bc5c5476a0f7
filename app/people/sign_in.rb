# frozen_string_literal: true

require "roda"
require "rodauth"
require "rqrcode"
require "sequel"

module Windlass
  # Who it is: password, passkey, one-time code, recovery codes, remembered devices, sessions that can be ended. All of
  # it is Rodauth's, in front of the pages; what it found stands in the request.
  class SignIn < Roda
    PERSON_ID = "windlass.person_id"
    # Where somebody goes first who is not in yet, and has more to say than a password.
    FIRST = "windlass.first"
    DEVICE = "windlass.device"
    # Seconds after which somebody who did nothing, or was here so long, signs in again; a remembered device does so by
    # itself.
    IDLE_S = 12 * 3600
    ABSOLUTE_S = 7 * 86_400
    REMEMBERED_DAYS = 180
    # What a page asks for by itself: nobody did anything.
    BY_ITSELF = %r{\A/today/alone\z|/told\z}
    LEAST_PASSWORD = 12
    # Of argon2: memory as a power of two of kB, and passes. Some 40 ms here, {Aside} from everybody else.
    COST = {t_cost: 2, m_cost: 14, p_cost: 1}.freeze

    # Sequel speaks over Active Record's connection: one transaction covers both.
    def self.database
      @database ||=
        Sequel.connect(
          (ActiveRecord::Base.connection.adapter_name == "SQLite") ? "sqlite://" : "postgresql://",
          extensions: :activerecord_connection,
          keep_reference: false,
          test: false
        )
    end

    # What its pages say, by what they would say otherwise.
    WORDS = YAML.load_file(File.join(__dir__, "sign_in_words.yml")).freeze

    plugin :middleware, forward_response_headers: true
    plugin :default_headers, "content-type" => "text/html; charset=utf-8"
    plugin :render, engine: "erb", views: File.join(__dir__, "views/people"), escape: true, layout: "sign_in_layout"
    plugin :flash

    plugin :rodauth, csrf: false do
      db { SignIn.database }
      enable :login,
        :logout,
        :argon2,
        :remember,
        :lockout,
        :active_sessions,
        :reset_password,
        :change_password,
        :change_login,
        :disallow_common_passwords,
        :otp,
        :recovery_codes,
        :webauthn,
        :webauthn_login,
        :webauthn_autofill,
        :internal_request
      translate { |_key, words| WORDS.fetch(words, words) }
      use_multi_phase_login? false
      flash_error_key "error"
      flash_notice_key "notice"
      domain { request.host }
      hmac_secret { OpenSSL::HMAC.hexdigest("SHA256", Security.secret, "sign-in") }
      accounts_table :people
      login_column :login
      login_param "login"
      login_label "Sign-in name"
      require_login_confirmation? false
      require_password_confirmation? false
      login_meets_requirements? { |login| login.to_s.match?(/\A[^\s]{3,120}\z/) }
      normalize_login { |login| login.to_s.strip.downcase }
      password_minimum_length LEAST_PASSWORD
      password_maximum_bytes 200
      set_deadline_values? true
      password_hash_table :person_password_hashes
      use_database_authentication_functions? false
      require_bcrypt? false
      password_hash_cost { COST }
      remember_table :person_remember_keys
      remember_deadline_interval { {days: REMEMBERED_DAYS} }
      extend_remember_deadline? true
      remember_cookie_key "windlass_remember"
      account_login_failures_table :person_login_failures
      account_lockouts_table :person_lockouts
      max_invalid_logins 10
      account_lockouts_deadline_interval { {minutes: 15} }
      active_sessions_table :person_active_sessions
      active_sessions_account_id_column :person_id
      active_sessions_insert_hash { super().merge(device: SignIn.device(request.user_agent)) }
      session_inactivity_deadline nil
      session_lifetime_deadline nil
      reset_password_table :person_password_reset_keys
      reset_password_deadline_interval { {hours: 2} }
      otp_keys_table :person_otp_keys
      otp_issuer "Windlass"
      recovery_codes_table :person_recovery_codes
      auto_add_recovery_codes? true
      webauthn_user_ids_table :person_webauthn_user_ids
      webauthn_keys_table :person_webauthn_keys
      webauthn_keys_account_id_column :person_id
      webauthn_rp_name "Windlass"
      %i[webauthn_setup webauthn_remove otp_setup otp_disable change_password change_login].each do |page|
        public_send(:"#{page}_redirect", "/my-sign-in")
      end
      # A passkey that asked for a finger or a code is two proofs at once.
      webauthn_login_user_verification_additional_factor? true
      # Whoever has no passkey, or leaves it, goes on with the password: that is no fault.
      webauthn_autofill_js { super().sub("element.submit();\n    });", "element.submit();\n    }, function() {});") }
      two_factor_modifications_require_password? true

      login_route "sign-in"
      logout_route "sign-out"
      login_redirect { "/" }
      logout_redirect "/sign-in"
      active_sessions_redirect "/sign-in"
      login_button "Sign in"
      logout_button "Sign out"
      login_notice_flash nil
      logout_notice_flash nil
      # An unknown name and a wrong password are told alike, in words and in time.
      no_matching_login_message "That name and that password do not go together."
      invalid_password_message "That name and that password do not go together."
      no_matching_login_error_status 401
      login_error_flash "Nobody was signed in."
      reset_password_request_error_flash "Nothing was sent."
      already_logged_in { redirect "/" unless internal_request? }

      # A page of ours made the form.
      auth_class_eval do
        def csrf_tag(*) = %(<input type="hidden" name="authenticity_token" value="#{scope.token}">)

        def password_hash(*) = Aside.reckon { super }

        def password_hash_match?(*) = Aside.reckon { super }

        # It stands at the same place whichever of the two was wrong.
        def set_field_error(field, error) = super((error == no_matching_login_message) ? password_param : field, error)

        # Of one that waits after too many tries the page says the same as of any other.
        def show_lockout_page
          set_response_error_status 401
          set_error_flash login_error_flash
          set_field_error(password_param, invalid_password_message)
          response.write login_view
          request.halt
        end

        def otp_qr_code
          RQRCode::QRCode.new(otp_provisioning_uri).as_svg(module_size: 5, use_path: true, viewbox: true)
        end
      end

      login_additional_form_tags { SignIn::REMEMBER_FIELD }
      after_no_matching_login do
        super()
        SignIn.failed(request.ip, param_or_nil("password")) unless internal_request?
      end
      after_login_failure do
        super()
        SignIn.failed(request.ip) unless internal_request?
      end
      Trace::SIGNING.each_key do |event|
        public_send(event) do
          super()
          next if internal_request?

          scope.began(param_or_nil("remember")) if event == :after_login
          scope.trace(event, account ? account_id : session_value)
        end
      end
      # Nothing on the page says that a name is known.
      login_failed_reset_password_request_form { nil }
      # Whoever asks for a name that is not here is told the same, and as quickly.
      before_reset_password_request_route do
        super()
        known = Records::Person.open.exists?(login: normalize_login(login_param_value.to_s))
        redirect "/sign-in" if request.post? && !internal_request? && !known
      end
      reset_password_email_sent_notice_flash nil
      reset_password_email_sent_redirect "/sign-in"
      send_reset_password_email { Post.reset(account[:login], reset_password_email_link) }
      send_unlock_account_email { Post.unlock(account[:login], unlock_account_email_link) }
    end

    REMEMBER_FIELD =
      '<div class="form-check mb-3"><input class="form-check-input" type="checkbox" id="remember" name="remember" ' \
        'value="1"><label class="form-check-label" for="remember">Stay signed in on this device</label></div>'
    # A hash that nobody's password has: checking it takes as long as any other.
    NOBODYS = Argon2::Password.new(**COST).create(SecureRandom.hex)

    # Counts a try that failed, by address.
    # @param password [String, nil] where no name was found: it is checked all the same, so that both take as long
    def self.failed(address, password = nil)
      Aside.reckon { Argon2::Password.verify_password(password, NOBODYS) } if password
      Guard.failed(address)
    end

    # @param agent [String, nil]
    # @return [String] `Firefox on Linux`: what a person may know their device by
    def self.device(agent)
      browser = %w[Edg Firefox Chrome Safari].find { |name| agent.to_s.include?(name) } || "a browser"
      systems = {
        "iPhone" => "a phone",
        "Android" => "a phone",
        "Windows" => "Windows",
        "Mac" => "a Mac",
        "Linux" => "Linux"
      }
      system = systems.find { |name, _| agent.to_s.include?(name) }&.last
      [(browser == "Edg") ? "Edge" : browser, *system].join(" on ")
    end

    route do |r|
      ended unless still_good?
      halt_without_token if r.post? && r.path.match?(OWN)
      r.rodauth
      demo_people(r) if DemoPeople.open?(r)
      who
    end

    # What this part of the house answers itself.
    OWN = %r{\A/(sign-in|sign-out|remember|unlock|reset|change|otp|recovery|webauthn|multifactor|demo/)}

    # @return [String] for a form of ours
    def token = @token ||= Rack::Protection::AuthenticityToken.token(session)

    def demo_people? = DemoPeople.open?(request)

    # The moments in the cookie say when somebody came, and when they last did something.
    # @param stay [String, nil] this device is to be remembered
    def began(stay)
      session["in_s"] = session["seen_s"] = Time.now.to_i
      rodauth.remember_login if stay
    end

    # @param event [Symbol] of {Trace::SIGNING}
    # @param id [Integer] of whom
    def trace(event, id) =
      Trace.signing(event, Records::Person.find(id), device: SignIn.device(env["HTTP_USER_AGENT"]), now: Time.now)

    private

    # @return [Boolean] nobody is in, or they may stay: not idle for long, and not sent away
    def still_good?
      return true unless rodauth.logged_in?

      now = Time.now.to_i
      return false if now - session["seen_s"].to_i > IDLE_S || now - session["in_s"].to_i > ABSOLUTE_S
      return false unless rodauth.currently_active_session?

      session["seen_s"] = now if now - session["seen_s"].to_i > 60 && !request.path.match?(BY_ITSELF)
      true
    end

    def ended = rodauth.clear_session

    def halt_without_token
      return if Security::Tokens::CHECK.accepts?(env)

      response.status = 403
      request.halt(response.finish_with_body(["This page stood open too long. Go back, load it anew and try again.\n"]))
    end

    # A remembered device signs in by itself; whoever has a second way to prove it has to.
    def who
      rodauth.load_memory
      env[DEVICE] = SignIn.device(env["HTTP_USER_AGENT"])
      return on_their_phone unless rodauth.logged_in?

      began(nil) unless session["in_s"]
      env[FIRST] = rodauth.two_factor_auth_path and return if second_missing?

      env[PERSON_ID] = rodauth.session_value
    end

    # A phone that is bound is its athlete's, and never anybody else's.
    def on_their_phone
      phone = Phone.new(request)
      return env[FIRST] = "/devices/who" if phone.asks?

      device = phone.device or return
      phone.held_by(device)
      env[DEVICE] = device.name
      env[PERSON_ID] = device.person_id
    end

    def second_missing? = rodauth.uses_two_factor_authentication? && !rodauth.two_factor_authenticated?

    def demo_people(r)
      r.post("demo/people") do
        rodauth.account_from_login(DemoPeople.login(r.params["who"].to_s)) or r.redirect("/sign-in")
        rodauth.login("demo")
      end
    end
  end
end
