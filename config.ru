# frozen_string_literal: true

require_relative "app/rooms"

Windlass::Boot.up

# What is sent behind the answer has no body here.
use Rack::Deflater, if: ->(_env, _status, headers, _body) { !headers.key?("rack.hijack") }
use Windlass::Security::Policy
use Windlass::Listening::Doorkeeper
map(Windlass::Assets::PREFIX) { run Windlass::Assets.files }
run Windlass::Web

# Only where it serves for real: a test begins with nothing.
Windlass::Preload.up(Windlass::Web) if ENV["WINDLASS_WARM"]
