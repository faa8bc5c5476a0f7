# frozen_string_literal: true

require_relative "app/rooms"

Windlass::Boot.up
run Windlass::Front.of(Windlass::Web)

# Only where it serves for real: a test begins with nothing.
Windlass::Preload.up(Windlass::Web) if ENV["WINDLASS_WARM"]
