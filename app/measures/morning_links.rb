# frozen_string_literal: true

require "openssl"

module Windlass
  # Addresses that can be sent to athletes, under which each takes their own morning score and sees nothing else.
  # Nothing is kept of them: an address is signed with the secret of the house, and dies when the athlete's links are
  # revoked.
  class MorningLinks
    SIGNED = /\A(\d{1,15})-(\h{40})\z/

    # @param secret [String] of the house
    def initialize(secret)
      @secret = secret
    end

    # @param athlete [Records::Athlete]
    # @return [String] `/morning/7-3b…`
    def path(athlete) = "/morning/#{athlete.id}-#{signature(athlete)}"

    # @param athletes [ActiveRecord::Relation] among whom
    # @param token [String] as it stood in the address
    # @return [Records::Athlete, nil]
    def athlete(athletes, token)
      id, signed = token.to_s.scrub.match(SIGNED)&.captures
      found = id && athletes.find_by(id: id.to_i)
      found if found && Rack::Utils.secure_compare(signature(found), signed)
    end

    private

    def signature(athlete) =
      OpenSSL::HMAC.hexdigest(
        "SHA256",
        @secret,
        "morning #{athlete.id} #{athlete.uuid} #{athlete.morning_links_revoked}"
      )[
        0,
        40
      ]
  end
end
