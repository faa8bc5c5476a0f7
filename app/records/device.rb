# frozen_string_literal: true

require "openssl"

module Windlass
  module Records
    # An athlete's own phone, bound by one press on a link: it opens their own page without a password, until it is
    # revoked. Its key is made from the secret of the house, so that the database alone opens nothing.
    class Device < Record
      self.table_name = "devices"
      extend Digested

      digests "device"
      self.filter_attributes = %i[link_digest code_digest]

      GOOD_DAYS = 7
      CODE_GOOD_S = 900

      belongs_to :account
      belongs_to :athlete
      belongs_to :person, optional: true

      scope :bound, -> { where.not(bound_at: nil).where(revoked_at: nil) }

      # @param secret [String] of a link
      # @return [Device, nil] that it may still bind
      def self.linked(secret, now:) =
        where(bound_at: nil, revoked_at: nil).where("ends_at > ?", now).find_by(link_digest: digested(secret))

      # @param code [String] as somebody typed it
      # @return [Device, nil]
      def self.coded(code, now:) =
        bound.where("code_ends_at > ?", now).find_by(code_digest: digested(code.upcase.gsub(/[^A-Z0-9]/, "")))

      # @param keys [Array<String>] what a phone keeps
      # @return [Array<Device>] whose phone it is, in their order
      def self.keyed(keys)
        found = keys.any? ? bound.where(id: keys.map(&:to_i)).includes(:athlete).index_by(&:id) : {}
        keys.filter_map { |key| found[key.to_i]&.then { |one| one if Rack::Utils.secure_compare(one.key, key) } }
      end

      # @return [String] what the phone keeps
      def key = "#{id}.#{OpenSSL::HMAC.hexdigest("SHA256", Security.secret, "device #{id} #{link_digest}")}"
    end
  end
end
