# frozen_string_literal: true

module Windlass
  module Presenters
    # Where a person is signed in, and what proves who they are.
    class MySignIn
      Device = Value.define(:session, :name, :since)

      attr_reader :person

      def initialize(person, today:)
        @person = person
        @today = today
      end

      # @return [Array<Device>]
      def devices
        SignIn.database[:person_active_sessions].where(person_id: person.id).order(:created_at).map do |row|
          Device.new(session: row[:session_id], name: row[:device], since: Words.date(row[:created_at].to_date))
        end
      end

      # @return [Integer]
      def passkeys = SignIn.database[:person_webauthn_keys].where(person_id: person.id).count

      # @return [Boolean]
      def code? = SignIn.database[:person_otp_keys].where(id: person.id).any?

      # @return [Array<String>]
      def roles = person.roles_on(@today).map(&:in_words)
    end
  end
end
