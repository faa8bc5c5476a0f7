# frozen_string_literal: true

require "net/http"

module Bench
  # What the first visitor after a start waits for.
  module FirstPage
    PORT = 9596
    BASE = URI("http://127.0.0.1:#{PORT}")
    TIMES = 3

    # @param house [String] path of the database
    # @return [Array<Float>] milliseconds of Today, each after a start of the server
    def self.ms(house) = Array.new(TIMES) { after_a_start(house) }.sort

    def self.after_a_start(house)
      server =
        spawn(
          {"WINDLASS_DB" => house, "PORT" => PORT.to_s, "WINDLASS_WARM" => "1"},
          "bundle",
          "exec",
          "puma",
          "--quiet",
          "-C",
          "config/puma.rb",
          chdir: File.expand_path("../..", __dir__),
          out: File::NULL,
          err: File::NULL,
          pgroup: true
        )
      sleep 0.05 until answers?
      headers = {"Cookie" => Coach.cookie(BASE)}
      began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      raise "Today is not there" unless Net::HTTP.get_response(BASE, headers).is_a?(Net::HTTPSuccess)

      (Process.clock_gettime(Process::CLOCK_MONOTONIC) - began) * 1000
    ensure
      Process.kill(:TERM, -server)
      Process.wait(server)
    end

    # It asks for no page.
    def self.answers?
      Net::HTTP.get_response(BASE + "/token").is_a?(Net::HTTPSuccess)
    rescue SystemCallError, EOFError
      false
    end
    private_class_method :after_a_start, :answers?
  end
end
