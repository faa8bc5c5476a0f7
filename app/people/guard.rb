# frozen_string_literal: true

require "rack/attack"

module Windlass
  # What keeps guessers out, before a password is looked at: too many tries of one name, or too many that failed from
  # one address. A club shares an address, so whoever succeeds there counts for nothing.
  module Guard
    FAILED = "failed"
    MOST_FAILED = 30
    MOST_OF_A_NAME = 20
    # Invitations, setup codes, letters, phones: secrets in an address or a form. A club binds its phones from one
    # address in an evening.
    MOST_SECRETS = 300
    WITHIN_S = 900
    SECRET = %r{\A/(invitations|setup|letters|consents|devices)/?}

    # Counts in the database, in one statement: no process loses any.
    class Store
      COUNT = <<~SQL
        INSERT INTO tries (key, number, until_s) VALUES ($1, $2, $3)
        ON CONFLICT (key) DO UPDATE SET
          number = CASE WHEN tries.until_s <= $4 THEN excluded.number ELSE tries.number + excluded.number END,
          until_s = CASE WHEN tries.until_s <= $4 THEN excluded.until_s ELSE tries.until_s END
        RETURNING number
      SQL

      # @return [Integer]
      def increment(key, amount, expires_in: WITHIN_S)
        now = Time.now.to_i
        connection.select_value(COUNT, "SQL", [key, amount, now + expires_in.to_i, now])
      end

      # @return [Integer, nil]
      def read(key) =
        connection.select_value("SELECT number FROM tries WHERE key = $1 AND until_s > $2", "SQL", [key, Time.now.to_i])

      def write(key, value, expires_in: WITHIN_S)
        delete(key)
        increment(key, value.to_i, expires_in: expires_in)
      end

      def delete(key) = connection.exec_delete("DELETE FROM tries WHERE key = $1", "SQL", [key])

      # What nobody counts any more.
      def sweep = connection.exec_delete("DELETE FROM tries WHERE until_s <= $1", "SQL", [Time.now.to_i])

      private

      def connection = ActiveRecord::Base.connection
    end

    STORE = Store.new
    WAIT = [
      429,
      {"content-type" => "text/plain; charset=utf-8"},
      ["Too many tries. Wait a quarter of an hour.\n"]
    ].freeze

    def self.failed(address) = STORE.increment("#{FAILED} #{address}", 1)

    # @param app [#call]
    # @return [Rack::Attack]
    def self.before(app)
      Rack::Attack.cache.store = STORE
      Rack::Attack.blocklist("failed") do |request|
        request.post? && request.path == "/sign-in" && STORE.read("#{FAILED} #{request.ip}").to_i >= MOST_FAILED
      end
      Rack::Attack.throttle("name", limit: MOST_OF_A_NAME, period: WITHIN_S) do |request|
        request.params["login"].to_s.strip.downcase[0, 120] if request.post? && request.path == "/sign-in"
      end
      Rack::Attack.throttle("secrets", limit: MOST_SECRETS, period: WITHIN_S) do |request|
        request.ip if SECRET.match?(request.path)
      end
      Rack::Attack.blocklisted_responder = Rack::Attack.throttled_responder = ->(_request) { WAIT }
      Rack::Attack.new(app)
    end
  end
end
