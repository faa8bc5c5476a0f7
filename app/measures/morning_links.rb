# frozen_string_literal: true

module Windlass
  # Addresses that can be sent to athletes, under which each takes their own morning score and sees nothing else. They
  # die when the athlete's links are revoked, when the athlete leaves, and with the right of whoever made them.
  class MorningLinks < SignedLinks
    TOKEN = /\A(?<id>\d{1,15})-#{SIGNATURE}\z/

    # @param athlete [Records::Athlete]
    # @return [String] `/morning/7-2-3b…`
    def path(athlete) = "/morning/#{athlete.id}-#{signed(words(athlete))}"

    # @param house [Records::Account]
    # @param token [String] as it stood in the address
    # @return [Records::Athlete, nil]
    # @raise [Ended]
    def athlete(house, token, on:)
      match = token.to_s.scrub.match(TOKEN) or return
      found = house.athletes.find_by(id: match[:id].to_i) or return
      return unless ours?(match, words(found))

      seen_by_maker(house, match, Policies::Coaches, on: on).active_athletes.find_by(id: found.id) || raise(Ended)
    end

    private

    def words(athlete) = "morning #{athlete.id} #{athlete.uuid} #{athlete.morning_links_revoked}"
  end
end
