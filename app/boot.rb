# frozen_string_literal: true

# Everything that a running server needs, with its database connected.
require_relative "web"
require_relative "backup"

Windlass::Occupied.hold(Windlass::Database.default_path) if Windlass::Database.file?
Windlass::Database.connect(Windlass::Database.default_path)
