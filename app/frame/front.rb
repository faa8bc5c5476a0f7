# frozen_string_literal: true

require "logger"
require "rack/builder"
require "rack/deflater"
require "rack/protection"
require "rack/session"

module Windlass
  # What stands before the pages, from the outside in: packing, the policy of all pages, who may reach the house, files
  # that ship with it, the cookie, what keeps guessers out, and who it is.
  module Front
    # Who was refused is said; of every request that it was let in, nothing.
    LOG = Logger.new($stderr, level: Logger::WARN)

    # @param app [#call] the pages
    # @return [#call]
    def self.of(app)
      Rack::Builder.app do
        # What is sent behind the answer has no body here.
        use Rack::Deflater, if: ->(_env, _status, headers, _body) { !headers.key?("rack.hijack") }
        use Security::Policy
        use Listening::Doorkeeper
        map(Assets::PREFIX) { run Assets.files }
        use Rack::Protection::HostAuthorization, permitted_hosts: Security.hosts, logger: LOG
        use RequestParameters::SizeLimit
        use Rack::Session::Cookie, **Front.cookie
        run Guard.before(SignIn.new(app))
      end
    end

    # Behind TLS no other name of this machine may set it.
    # @return [Hash] of Rack's cookie
    def self.cookie
      secret_way = Listening.secret_way?
      {
        key: secret_way ? "__Host-windlass" : "windlass",
        path: "/",
        secrets: [Security.secret],
        httponly: true,
        same_site: :lax,
        secure: secret_way,
        # The proxy speaks TLS, and says so to nobody here.
        assume_ssl: secret_way,
        expire_after: SignIn::ABSOLUTE_S
      }
    end
  end
end
