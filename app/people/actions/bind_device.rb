# frozen_string_literal: true

module Windlass
  module Actions
    # An athlete's own phone: a link, a press that binds, and a code by which the installed application is the same.
    module BindDevice
      # Letters and figures that nobody takes for one another.
      SIGNS = [*"A".."Z", *"2".."9"].freeze - %w[I L O]
      CODE_SIGNS = 8

      # @param by [Records::Person]
      # @return [String] the secret of a link that binds one phone, within a week
      def self.link(athlete, by:, now:)
        SecureRandom.urlsafe_base64(24).tap do |secret|
          Records::Device.create!(
            account_id: athlete.account_id, athlete: athlete, link_digest: Records::Device.digested(secret),
            made_by: by.id, made_at: now, ends_at: now + Records::Device::GOOD_DAYS * 86_400
          )
        end
      end

      # @param device [Records::Device] whose link was pressed
      # @param name [String] of the phone
      # @return [String] the code for the installed application
      # @raise [ActiveRecord::RecordNotFound] where another phone was quicker
      def self.call(device, name:, now:)
        device.with_lock do
          raise ActiveRecord::RecordNotFound if device.bound_at || device.revoked_at

          code = Array.new(CODE_SIGNS) { SIGNS.sample(random: SecureRandom) }.join
          device.update!(
            bound_at: now, name: name, person: person(device.athlete, now),
            code_digest: Records::Device.digested(code), code_ends_at: now + Records::Device::CODE_GOOD_S
          )
          code.scan(/.{4}/).join("-")
        end
      end

      # The installed application has it now; the code is worth nothing any more.
      # @param device [Records::Device]
      def self.taken_along(device) = device.update!(code_digest: nil, code_ends_at: nil)

      def self.revoke(device, now:) = device.update!(revoked_at: now, code_digest: nil, code_ends_at: nil)

      # Whoever is only this athlete here already, or somebody new: a phone never opens more than their own page.
      def self.person(athlete, now)
        Records::Person.open.joins(:roles).where(roles: {kind: "athlete",
                                                         athlete_id: athlete.id}).distinct.find do |one|
          one.roles.all? { |role| role.kind == "athlete" && role.athlete_id == athlete.id }
        end || made(athlete, now)
      end

      def self.made(athlete, now)
        one = Records::Person.create!(
          account_id: athlete.account_id, uuid: SecureRandom.uuid, name: athlete.name, made_at: now
        )
        GiveRole.call(one, {kind: "athlete", athlete_id: athlete.id, from_on: now.to_date})
        one.reload
      end
      private_class_method :person, :made
    end
  end
end
