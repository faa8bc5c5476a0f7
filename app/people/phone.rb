# frozen_string_literal: true

module Windlass
  # The phone that asks: whose keys lie on it, and who holds it just now. Of siblings who share one it asks who, and
  # asks again after a while: no page mixes them.
  class Phone
    # Seconds: browsers keep no cookie longer than some thirteen months.
    KEPT_S = 400 * 86_400
    # Seconds without a request, after which whoever holds it is asked for again.
    HELD_S = 1800
    MOST_KEYS = 8
    # In the cookie, between keys.
    BETWEEN = "~"
    # In the session: number of the device, and when it was last used.
    HELD = "phone"

    # @return [String] its cookie
    def self.cookie = Listening.secret_way? ? "__Host-windlass_phone" : "windlass_phone"

    # @param request [Rack::Request]
    def initialize(request)
      @request = request
    end

    # @return [Array<Records::Device>] whose keys lie on it
    def devices =
      @devices ||= Records::Device.keyed(@request.cookies[Phone.cookie].to_s.split(BETWEEN).first(MOST_KEYS))

    # @return [Records::Device, nil] of whoever holds it; nil where nobody said who does
    def device(now_s = Time.now.to_i)
      return devices.first if devices.size < 2

      id, seen_s = @request.session[HELD]
      devices.find { |one| one.id == id } if seen_s.to_i > now_s - HELD_S
    end

    # @return [Boolean] several share it, and nobody said who holds it
    def asks? = devices.size > 1 && device.nil?

    # @param device [Records::Device] of whoever holds it from now on
    def held_by(device, now_s = Time.now.to_i)
      _, seen_s = @request.session[HELD]
      return if device == self.device && now_s - seen_s.to_i < 60

      @request.session[HELD] = [device.id, now_s]
    end

    # @param device [Records::Device] bound just now
    # @return [Hash] the cookie with its key, too
    def with(device) = keys([device, *devices.reject { |one| one.athlete_id == device.athlete_id }])

    # @return [Hash] the cookie without the key of whoever holds it
    def without(device) = keys(devices - [device])

    private

    def keys(devices) =
      {
        value: devices.first(MOST_KEYS).map(&:key).join(BETWEEN), path: "/", httponly: true, same_site: :lax,
        max_age: devices.empty? ? 0 : KEPT_S, secure: Listening.secret_way?
      }
  end
end
