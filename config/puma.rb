# frozen_string_literal: true

require "etc"
require_relative "../app/rooms"

# Some processes of few threads: Ruby computes one thing at a time in each, and who shares one waits for the other's
# page; more processes than cores share these fairly (bench/load). SQLite writes one at a time in all of them. Nothing
# that one process keeps is needed by another. On this machine only, unless told otherwise.
environment "production"
threads 1, Integer(ENV.fetch("WINDLASS_THREADS", 3))
processes = Integer(ENV.fetch("WINDLASS_WORKERS", (Etc.nprocessors > 1) ? (2 * Etc.nprocessors).clamp(2, 4) : 0))
workers processes
# A connection that is kept stays with its process, however busy that is: each request goes to the one that is free
# (bench/load).
enable_keep_alives false
begin
  bind Windlass::Listening.address
rescue Windlass::Error => error
  abort error.message
end

# Behind the proxy everybody would have its address, and one guesser would keep all others waiting.
set_remote_address header: "x-real-ip" if Windlass::Listening.proxied?(ENV)

if processes.positive?
  silence_single_worker_warning
  preload_app!
  # A connection belongs to the process that made it.
  before_fork { ActiveRecord::Base.connection_handler.clear_all_connections! }
  # Where others answer meanwhile.
  out_of_band { Windlass::GarbageCollection.between_answers }
end

# What is long is worked off behind the pages.
after_booted { Windlass::Worker.see_to_it }

# What is no request at all never reaches the application: it gets a plain word, and no paths of this machine.
lowlevel_error_handler do |_error, _env, status|
  [status || 500, {"content-type" => "text/plain", "cache-control" => "no-store"}, ["Not understood\n"]]
end
