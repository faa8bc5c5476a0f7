# frozen_string_literal: true

require "openssl"

module Windlass
  # Addresses for a second screen, where nobody signs in: a tablet on the wall, somebody else's telephone. Each is
  # signed, shows one run and nothing else, and is worth nothing from the day after on.
  class FollowLinks
    SIGNED = /\A(run|squad)-(\h{8}-[-\h]{27})-(\h{40})\z/
    KINDS = {"run" => Records::Session, "squad" => Records::Squad}.freeze

    # @param secret [String] of the house
    def initialize(secret)
      @secret = secret
    end

    # @param followed [Records::Session, Records::Squad]
    # @return [String] `/watch/run-…`
    def path(followed)
      kind = KINDS.key(followed.class)
      "/watch/#{kind}-#{followed.uuid}-#{signature(kind, followed.uuid)}"
    end

    # @param house [Records::Account]
    # @param token [String] as it stood in the address
    # @return [Array<Records::Session>] what is followed; empty where the address is none, or its day is over
    def sessions(house, token, today:)
      kind, uuid, signed = token.to_s.scrub.match(SIGNED)&.captures
      return [] unless kind && Rack::Utils.secure_compare(signature(kind, uuid), signed)

      found = house.of(KINDS.fetch(kind)).find_by(uuid: uuid)
      return [] if found.nil? || found.local_date < today - 1

      (kind == "squad") ? found.sessions.to_a : [found]
    end

    private

    def signature(kind, uuid) = OpenSSL::HMAC.hexdigest("SHA256", @secret, "follow #{kind} #{uuid}")[0, 40]
  end
end
