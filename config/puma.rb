# frozen_string_literal: true

# One process, some threads: SQLite writes one at a time anyway. On this machine only, unless told otherwise.
threads 1, Integer(ENV.fetch("WINDLASS_THREADS", 16))
bind "tcp://#{ENV.fetch("WINDLASS_BIND", "127.0.0.1")}:#{ENV.fetch("PORT", 9494)}"
