# frozen_string_literal: true

# One process, some threads: SQLite writes one at a time anyway, and Ruby computes one at a time. On this machine only, unless
# told otherwise.
environment "production"
threads 1, Integer(ENV.fetch("WINDLASS_THREADS", 5))
bind "tcp://#{ENV.fetch("WINDLASS_BIND", "127.0.0.1")}:#{ENV.fetch("PORT", 9494)}"

# What is no request at all never reaches the application: it gets a plain word, and no paths of this machine.
lowlevel_error_handler do |_error, _env, status|
  [status || 500, {"content-type" => "text/plain", "cache-control" => "no-store"}, ["Not understood\n"]]
end
