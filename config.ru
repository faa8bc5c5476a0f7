# frozen_string_literal: true

require_relative "app/boot"

use Rack::Deflater
use Windlass::Security::Policy
map(Windlass::Assets::PREFIX) { run Windlass::Assets.files }
run Windlass::Web
