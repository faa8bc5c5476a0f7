# frozen_string_literal: true

require "delayed_job_active_record"

module Windlass
  # The process that works behind the pages. The server starts it and sees that there is one; it ends with the server.
  module Worker
    COMMAND = File.expand_path("../../bin/work", __dir__)
    AGAIN_S = 2

    # Called in the server's first process, once it is up.
    def self.see_to_it
      Thread.new do
        loop do
          pid = Process.spawn(RbConfig.ruby, COMMAND, "--while", Process.pid.to_s, close_others: true)
          Process.wait(pid)
          sleep AGAIN_S
        end
      end
    end

    # Begins anew what a killed one of the same name left, and works until it is told to end.
    # @param name [String] of one worker at a time
    def self.run(name)
      Delayed::Worker.raise_signal_exceptions = true
      Delayed::Worker.sleep_delay = 0.5
      worker = Delayed::Worker.new
      worker.name = name
      worker.start
    rescue SignalException
      nil
    end

    # @param pid [Integer] without that process nothing is worked on
    def self.end_with(pid)
      Thread.new do
        sleep 1 while Process.ppid == pid
        Process.kill(:TERM, Process.pid)
      end
    end
  end
end
