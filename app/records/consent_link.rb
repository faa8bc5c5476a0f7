# frozen_string_literal: true

module Windlass
  module Records
    # A link under which somebody without a sign-in reads what is kept of an athlete, agrees or takes it back, and has
    # their copy. A guardian's lives until the eighteenth birthday, another for thirty days. Of its secret only a digest
    # is kept.
    class ConsentLink < Record
      self.table_name = "consent_links"
      extend Digested

      digests "consent"

      GOOD_DAYS = 30

      belongs_to :account
      belongs_to :athlete

      scope :good, ->(now) { where(revoked_at: nil).where("ends_at > ?", now) }

      # @param secret [String] of the link
      # @return [ConsentLink, nil]
      def self.opened(secret, now:) = good(now).find_by(digest: digested(secret))
    end
  end
end
