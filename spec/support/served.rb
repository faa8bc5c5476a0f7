# frozen_string_literal: true

require "net/http"
require "socket"
require "tmpdir"

# The server as it is started in earnest, on a house of its own.
module Served
  ROOT = File.expand_path("../..", __dir__)

  # Of its own: a file, or another database on the same server.
  def house_in(folder)
    url = ENV["WINDLASS_TEST_URL"] or return File.join(folder, "house.sqlite3")
    name = "windlass_#{SecureRandom.hex(4)}"
    ActiveRecord::Base.connection.execute("CREATE DATABASE #{name}")
    url.sub(%r{/[^/]+\z}, "/#{name}")
  end

  def free_port = TCPServer.open("127.0.0.1", 0) { |socket| socket.addr[1] }

  def wait_until
    Timeout.timeout(30) do
      until begin
        yield
      rescue SystemCallError, EOFError
        nil
      end
        sleep 0.1
      end
    end
  end

  # @param environment [Hash{String => String}]
  # @return [Integer] of its process
  def serve(environment)
    spawn(
      {"WINDLASS_SECRET" => "f" * 128, "WINDLASS_ENV" => nil, "APP_ENV" => nil, **environment},
      "bundle",
      "exec",
      "puma",
      "--quiet",
      "-C",
      "config/puma.rb",
      chdir: ROOT,
      out: File::NULL,
      err: File::NULL,
      pgroup: true
    )
  end

  def migrated(environment) =
    system(environment, "bundle", "exec", "rake", "db:migrate", chdir: ROOT, out: File::NULL) || raise("no house")

  def ended(server)
    Process.kill(:TERM, -server)
    Process.wait(server)
  end
end
