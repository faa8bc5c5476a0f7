# frozen_string_literal: true

module Windlass
  # Addresses for a second screen, where nobody signs in: a tablet on the wall, somebody else's telephone. Each shows
  # one run and nothing else, and is worth nothing from the day after on, or once its maker runs no sessions of theirs.
  class FollowLinks < SignedLinks
    TOKEN = /\A(?<kind>run|squad)-(?<uuid>\h{8}-[-\h]{27})-#{SIGNATURE}\z/
    KINDS = {"run" => Records::Session, "squad" => Records::Squad}.freeze

    # @param followed [Records::Session, Records::Squad]
    # @return [String] `/watch/run-…`
    def path(followed)
      kind = KINDS.key(followed.class)
      "/watch/#{kind}-#{followed.uuid}-#{signed(words(kind, followed.uuid))}"
    end

    # @param house [Records::Account]
    # @param token [String] as it stood in the address
    # @return [Array<Records::Session>] what is followed; empty where the address is none
    # @raise [Ended]
    def sessions(house, token, on:)
      match = token.to_s.scrub.match(TOKEN)
      return [] unless match && ours?(match, words(match[:kind], match[:uuid]))

      seen = seen_by_maker(house, match, Policies::Decks, on: on)
      found = seen.of(KINDS.fetch(match[:kind])).find_by(uuid: match[:uuid])
      raise Ended if found.nil? || found.local_date < on - 1

      found.is_a?(Records::Squad) ? found.sessions.to_a : [found]
    end

    private

    def words(kind, uuid) = "follow #{kind} #{uuid}"
  end
end
