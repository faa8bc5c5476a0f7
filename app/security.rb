# frozen_string_literal: true

require "fileutils"

module Windlass
  # What keeps strangers' scripts and forms out. Registered by the web application.
  module Security
    POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; " \
      "connect-src 'self'; worker-src 'self'; manifest-src 'self'; media-src 'self'; form-action 'self'; " \
      "base-uri 'none'; frame-ancestors 'none'"
    HEADERS = {
      "content-security-policy" => POLICY,
      "referrer-policy" => "same-origin",
      "cross-origin-opener-policy" => "same-origin",
      "cross-origin-resource-policy" => "same-origin",
      "permissions-policy" => "camera=(), geolocation=(), microphone=(), payment=(), usb=()",
      "cache-control" => "no-cache"
    }.freeze
    LOCAL_HOSTS = %w[127.0.0.1 localhost ::1].freeze
    SECRET_FILE = File.expand_path("../tmp/session_secret", __dir__)

    def self.registered(app)
      app.set :sessions, key: "windlass", httponly: true, same_site: :lax, secure: ENV.key?("WINDLASS_HTTPS"),
        expire_after: 30 * 86_400
      app.set :session_secret, secret
      app.set :host_authorization, permitted_hosts: LOCAL_HOSTS + ENV.fetch("WINDLASS_HOSTS", "").split(",")
      # A refused token answers 403; the default would only empty the session and carry on.
      app.set :protection, use: %i[authenticity_token], reaction: :deny, except: %i[remote_token]
      app.before { headers HEADERS }
      app.error(403) { refusal }
      app.helpers Refusal
    end

    # The same across restarts, so that an open deck may go on sending.
    def self.secret
      ENV.fetch("WINDLASS_SECRET") do
        FileUtils.mkdir_p(File.dirname(SECRET_FILE))
        File.write(SECRET_FILE, SecureRandom.hex(64), perm: 0o600) unless File.exist?(SECRET_FILE)
        File.read(SECRET_FILE)
      end
    end

    module Refusal
      def csrf_token = Rack::Protection::AuthenticityToken.token(session)

      def refusal = erb(:"errors/refused", locals: {title: "Not allowed", message: "Load the page again and send the form once more."})
    end
  end
end
