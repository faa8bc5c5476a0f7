# frozen_string_literal: true

# Everything that a running server needs, with its database connected.
require_relative "web"

Windlass::Database.connect(Windlass::Database.default_path)
