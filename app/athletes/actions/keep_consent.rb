# frozen_string_literal: true

module Windlass
  module Actions
    # That somebody agrees to what is kept of them, or takes it back; and the link under which they do so themselves.
    module KeepConsent
      # @param guardian [String] who agrees for somebody under age; empty where they do so themselves
      # @param by [String] who writes it down; empty where it is given by link
      # @return [Records::Consent] the one that holds
      def self.give(athlete, guardian:, now:, by: "")
        athlete.with_lock do
          athlete.consents.reload.find { |one| one.holds?(athlete, now.to_date) && one.guardian == guardian } ||
            athlete.consents.create!(
              account_id: athlete.account_id, version: Consents::VERSION, given_at: now, guardian: guardian,
              written_by: by
            )
        end
      end

      # Nothing new is kept from now on; what is there stays until it is to be erased.
      def self.take_back(athlete, now:)
        athlete.with_lock do
          athlete.consents.where(ended_at: nil).find_each { |one| one.update!(ended_at: now) }
          athlete.update_columns(consent_due_on: nil)
        end
      end

      # @param by [Records::Person]
      # @return [String] the secret of the link: a guardian's lives until the eighteenth birthday
      def self.link(athlete, by:, now:)
        SecureRandom.urlsafe_base64(24).tap do |secret|
          Records::ConsentLink.create!(
            account_id: athlete.account_id, athlete: athlete, digest: Records::ConsentLink.digested(secret),
            made_by: by.id, made_at: now, ends_at: link_ends(athlete, now)
          )
        end
      end

      def self.link_ends(athlete, now)
        return now + Records::ConsentLink::GOOD_DAYS * 86_400 unless Consents.minor?(athlete, now.to_date)

        (athlete.born_on >> (12 * Screening::Ages::ADULT)).to_time
      end
      private_class_method :link_ends
    end
  end
end
