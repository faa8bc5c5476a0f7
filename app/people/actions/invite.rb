# frozen_string_literal: true

module Windlass
  module Actions
    # Makes a link that is good once, for a week. It is shown once: only a digest of it is kept.
    module Invite
      # @param form [Forms::RoleForm]
      # @param by [Records::Person]
      # @return [String] its secret
      def self.call(house, form, by:, now:)
        SecureRandom.urlsafe_base64(24).tap do |secret|
          Records::Invitation.create!(
            account_id: house.id,
            digest: Records::Invitation.digested(secret),
            made_by: by.id,
            made_at: now,
            ends_at: now + Records::Invitation::GOOD_DAYS * 86_400,
            **form.role.slice(:kind, :athlete_id, :group_id, :of_all),
            name: form.values[:name].to_s
          )
        end
      end

      # @param person [Records::Person] who takes it
      # @raise [ActiveRecord::RecordNotFound] where somebody was quicker, or it has ended
      def self.take(invitation, person, now:)
        taken = Records::Invitation.where(id: invitation.id, used_at: nil).where("ends_at > ?",
          now).update_all(used_at: now)
        raise ActiveRecord::RecordNotFound unless taken == 1

        GiveRole.call(
          person,
          {**invitation.attributes.symbolize_keys.slice(:kind, :athlete_id, :group_id, :of_all), from_on: now.to_date}
        )
      end
    end
  end
end
