# frozen_string_literal: true

require "openssl"
require "rack/auth/basic"
require "rack/utils"

module Windlass
  # How the house may be reached. On this machine by anybody who sits at it, for all of them sign in. Beyond it only in
  # secret, since a password would be read on the way: by a proxy that speaks TLS and shows a secret of its own, or
  # where the house itself speaks TLS. A password for the door may stand in front of both.
  module Listening
    LOCAL = /\A(127\.\d+\.\d+\.\d+|localhost|::1|\[::1\])\z/
    LEAST_SECRET = 32
    LEAST_PASSWORD = 12
    HEADER = "HTTP_X_WINDLASS_PROXY"
    HELP =
      "Listening on %s without TLS would send passwords in the open. Either set WINDLASS_PROXY_SECRET " \
        "(#{LEAST_SECRET} characters or more) and let a proxy with TLS send it as X-Windlass-Proxy; or set " \
        "WINDLASS_TLS_CERT and WINDLASS_TLS_KEY. docs/operating.md has both."

    # @param env [Hash] of the process
    # @return [String] address for the server
    # @raise [Error] where it would listen beyond this machine with nothing in between
    def self.address(env = ENV)
      host, port = env.fetch("WINDLASS_BIND", "127.0.0.1"), env.fetch("PORT", 9494)
      secret = proxied?(env) || tls?(env)
      raise Error, format(HELP, host) unless LOCAL.match?(host) || secret

      if tls?(env)
        "ssl://#{host}:#{port}?key=#{env.fetch("WINDLASS_TLS_KEY")}&cert=#{env.fetch("WINDLASS_TLS_CERT")}"
      else
        "tcp://#{host}:#{port}"
      end
    end

    def self.proxied?(env) = env.fetch("WINDLASS_PROXY_SECRET", "").length >= LEAST_SECRET

    def self.tls?(env) = %w[WINDLASS_TLS_CERT WINDLASS_TLS_KEY].all? { |name| !env.fetch(name, "").empty? }

    # @return [String, nil]
    def self.password(env) = env.fetch("WINDLASS_PASSWORD", "").then { |word| word if word.length >= LEAST_PASSWORD }

    # @return [Boolean] browsers speak to us in secret: by ourselves, or by a proxy
    def self.secret_way?(env = ENV) = tls?(env) || Security.on?("WINDLASS_HTTPS")

    # What is asked of every request, where anything is.
    class Doorkeeper
      REFUSED = [403, {"content-type" => "text/plain"}, ["Not by this way.\n"]].freeze

      # @param env [Hash] of the process
      def initialize(app, env = ENV)
        @app = app
        @secret = env.fetch("WINDLASS_PROXY_SECRET", "") if Listening.proxied?(env)
        password = Listening.password(env)
        @asked = password && Rack::Auth::Basic.new(app, "Windlass") { |_name, given| same?(password, given) }
      end

      def call(env)
        return REFUSED if @secret && !same?(@secret, env[HEADER].to_s)

        (@asked || @app).call(env)
      end

      private

      # In the same time, whatever was given.
      def same?(wanted, given) =
        Rack::Utils.secure_compare(*[wanted, given.to_s].map { |word| OpenSSL::Digest::SHA256.hexdigest(word) })
    end
  end
end
