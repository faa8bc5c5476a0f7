# frozen_string_literal: true

require "openssl"

module Windlass
  # Addresses for those who do not sign in. Nothing is kept of them: each is signed with the secret of the house, says
  # who made it, and is worth nothing once they may not see any more what it shows.
  class SignedLinks
    SIGNS = 40
    SIGNATURE = /(?<maker>\d{1,15})-(?<signed>\h{#{SIGNS}})/

    # The link was good, and is so no more.
    class Ended < StandardError
      def message = "This link has ended. Ask whoever sent it for another one."
    end

    # @param secret [String] of the house
    # @param maker [Integer, nil] number of the person who makes links; nil: they are only read
    def initialize(secret, maker: nil)
      @secret = secret
      @maker = maker
    end

    private

    # @param words [String] what it is for, of whom
    # @return [String] end of an address
    def signed(words, maker = @maker) =
      "#{maker}-#{OpenSSL::HMAC.hexdigest("SHA256", @secret, "#{words} made by #{maker}")[0, SIGNS]}"

    # @param match [MatchData] with {SIGNATURE}
    # @return [Boolean] the house signed it
    def ours?(match, words) =
      Rack::Utils.secure_compare(signed(words, match[:maker]), "#{match[:maker]}-#{match[:signed]}")

    # @param match [MatchData] with {SIGNATURE}
    # @return [Sight] what its maker sees
    # @raise [Ended] where they have the right no more
    def seen_by_maker(house, match, right, on:) =
      Sight.of_maker(house, match[:maker].to_i, on: on, right: right) || raise(Ended)
  end
end
