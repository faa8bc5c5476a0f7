# frozen_string_literal: true

module Windlass
  module Records
    # A link that makes somebody a part of the house, once. Of its secret only a digest is kept.
    class Invitation < Record
      self.table_name = "invitations"
      extend Digested

      digests "invitation"

      GOOD_DAYS = 7

      belongs_to :account

      # @param secret [String] of the link
      # @return [Invitation, nil] that may still be taken; nil of any other, and nobody hears why
      def self.open(secret, now:) =
        find_by(digest: digested(secret))&.then { |one| one if one.used_at.nil? && one.ends_at > now }
    end
  end
end
