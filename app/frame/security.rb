# frozen_string_literal: true

require "fileutils"
require "rack/protection"

module Windlass
  # What keeps strangers' scripts and forms out. Registered by the web application.
  module Security
    POLICY =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; " \
        "connect-src 'self'; worker-src 'self'; manifest-src 'self'; media-src 'self'; form-action 'self'; " \
        "base-uri 'none'; frame-ancestors 'none'"
    HEADERS = {
      "content-security-policy" => POLICY,
      "referrer-policy" => "same-origin",
      "cross-origin-opener-policy" => "same-origin",
      "cross-origin-resource-policy" => "same-origin",
      "permissions-policy" => "camera=(), geolocation=(), microphone=(self), payment=(), usb=()",
      "cache-control" => "no-store"
    }.freeze
    # Whoever came by TLS once comes by nothing else.
    STRICT_TRANSPORT = {"strict-transport-security" => "max-age=31536000"}.freeze
    LOCAL_HOSTS = %w[127.0.0.1 localhost ::1 [::1]].freeze
    SECRET_FILE = File.expand_path("../../tmp/session_secret", __dir__)
    # Characters that a secret must have.
    LEAST_SECRET = 64

    # Who a request is for is what the host says. What a proxy, or a stranger in its place, says of it is not believed.
    Rack::Request.forwarded_priority = []

    def self.registered(app)
      # The cookie is set before the pages are asked: {Front}.
      app.set :sessions, false
      app.set :session_secret, secret
      app.set :host_authorization,
        permitted_hosts: hosts
      app.set :protection, reaction: :deny, session: true, except: %i[remote_token]
      app.helpers RequestParameters, ErrorPages, Tokens
      app.before do
        pass_the_door
        refuse_token unless token_accepted?
      end
      # Afterwards, and so also where a request was refused before it began.
      app.after { headers HEADERS }
    end

    # @return [Array<String>] names by which this house may be asked for
    def self.hosts = LOCAL_HOSTS + ENV.fetch("WINDLASS_HOSTS", "").split(",").map(&:strip).reject(&:empty?)

    # @return [Boolean] switched on: `0`, `no`, `false` and nothing are off
    def self.on?(name) = !["", "0", "no", "off", "false"].include?(ENV.fetch(name, "").strip.downcase)

    # The same across restarts, so that an open deck may go on sending. One that is too short to be one is made anew.
    # @raise [Error] where the environment gives one that is too short
    def self.secret
      given = ENV.fetch("WINDLASS_SECRET", "").strip
      if given.length.between?(1, LEAST_SECRET - 1)
        raise Error,
          "WINDLASS_SECRET has #{given.length} characters; needed: #{LEAST_SECRET} or more. Left out, one is made " \
          "and kept."
      end
      return given unless given.empty?

      kept = File.exist?(SECRET_FILE) ? File.read(SECRET_FILE).strip : ""
      (kept.length >= LEAST_SECRET) ? kept : SecureRandom.hex(64).tap { |made| keep(made) }
    end

    def self.keep(made)
      FileUtils.mkdir_p(File.dirname(SECRET_FILE))
      File.write(SECRET_FILE, made, perm: 0o600)
    end
    private_class_method :keep

    # Outermost: what is refused before the application hears of it carries the policy too.
    class Policy
      def initialize(app)
        @app = app
        @headers = Listening.secret_way? ? HEADERS.merge(STRICT_TRANSPORT) : HEADERS
      end

      def call(env)
        status, headers, body = @app.call(env)
        [status, @headers.merge(headers), body]
      end
    end

    # Forms and scripts prove that they come from a page of ours.
    module Tokens
      CHECK = Rack::Protection::AuthenticityToken.new(->(_env) {})

      # Masked anew for each page; a page has one, however many forms stand on it.
      def csrf_token = @csrf_token ||= Rack::Protection::AuthenticityToken.token(session)

      def token_accepted? = CHECK.accepts?(env)
    end
  end
end
