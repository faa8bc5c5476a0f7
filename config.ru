# frozen_string_literal: true

require_relative "app/boot"

# A stream of events is sent as it comes.
use Rack::Deflater, if: ->(_env, _status, headers, _body) { headers["content-type"] != "text/event-stream" }
map(Windlass::Assets::PREFIX) { run Windlass::Assets.files }
run Windlass::Web
