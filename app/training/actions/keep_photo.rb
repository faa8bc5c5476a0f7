# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps a photograph of a note with its session. What it is, its first bytes say, not its name.
    module KeepPhoto
      MOST = 6
      # First bytes of the formats that every browser shows.
      SIGNATURES = {
        "image/jpeg" => /\A\xFF\xD8\xFF/n,
        "image/png" => /\A\x89PNG\r\n\x1A\n/n,
        "image/webp" => /\ARIFF....WEBP/mn
      }.freeze

      # @param bytes [String]
      # @return [Records::Photo]
      # @raise [Error] where it is no photograph
      def self.call(session, bytes, now:)
        type = SIGNATURES.find { |_, signature| signature.match?(bytes.b) }&.first or
          raise Error, "This file is no photograph; allowed: JPEG, PNG or WebP."
        raise Error, "There are #{MOST} photographs already; allowed: #{MOST} a session." if session.photos.size >= MOST

        session.photos.create!(
          account_id: session.account_id, uuid: SecureRandom.uuid, kept_at: now, media_type: type, bytes: bytes.b
        )
      end
    end
  end
end
