# frozen_string_literal: true

module Windlass
  module Records
    # A letter to a clinician, by a link of its own. Of the link's secret only a digest is kept.
    class Letter < Record
      self.table_name = "letters"
      extend Digested

      digests "letter"
      reads :answer
      seals :answer

      GOOD_DAYS = 30

      belongs_to :account
      belongs_to :athlete

      scope :waiting, -> { where.not(answered_at: nil).where(taken_at: nil).order(:answered_at) }

      # @param secret [String] of the link
      # @return [Letter, nil] that may still be answered
      def self.open(secret, now:) =
        find_by(digest: digested(secret))&.then { |one| one if one.answered_at.nil? && one.ends_at > now }
    end
  end
end
