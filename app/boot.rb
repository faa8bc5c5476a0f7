# frozen_string_literal: true

# Everything that a running server needs, with its database connected.
require_relative "web"
require_relative "backup"

if Windlass::Database.file?
  Windlass::Occupied.hold(Windlass::Database.default_path)
  Windlass::Backup.interrupted(Windlass::Database.default_path)&.then { |words| warn words }
end
Windlass::Database.connect(Windlass::Database.default_path)
