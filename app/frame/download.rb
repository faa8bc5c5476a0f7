# frozen_string_literal: true

require "tempfile"

module Windlass
  # A long file on its way to somebody. A thread writes it as fast as it can be made, another sends what is there as
  # fast as it is read: so whoever reads slowly, or not at all, holds neither a thread that answers pages nor a moment
  # of the database.
  class Download
    # Who takes nothing for so long is gone.
    IDLE_S = 60
    PART_BYTES = 64_000
    # So many are made at a time in a process; who comes later waits.
    MADE_AT_A_TIME = Thread::SizedQueue.new(2)
    # A page comes before a file.
    PRIORITY = -2

    # Nobody takes it any more.
    class Gone < StandardError
    end

    # @param env [Hash] of the request
    # @return [Boolean] its server hands over the connection
    def self.possible?(env) = env["rack.hijack?"] == true

    # @param env [Hash] of the request
    # @yieldparam out [#<<] gets the file, part after part
    # @return [Hash] headers of the answer
    def self.headers(env, &making)
      chunked = env["SERVER_PROTOCOL"] == "HTTP/1.1"
      {
        "rack.hijack" => ->(socket) { new(socket, chunked: chunked, &making).begin },
        **(chunked ? {"transfer-encoding" => "chunked"} : {})
      }
    end

    # @param socket [IO]
    # @param chunked [Boolean] its parts say how long they are, so that its reader knows whether it is whole
    # @yieldparam out [#<<]
    def initialize(socket, chunked:, &making)
      @socket = socket
      @chunked = chunked
      @making = making
      @file = Tempfile.new("windlass-download", binmode: true)
      @state = :making
    end

    # @return [Array<Thread>]
    def begin = [Thread.new { make }, Thread.new { send_all }].each { |thread| thread.priority = PRIORITY }

    # @param text [String] the next part
    def <<(text)
      raise Gone if @state == :gone

      @file << text
      self
    end

    private

    def make
      MADE_AT_A_TIME << self
      Records::Record.connection_pool.with_connection { @making.call(self) }
      end_as(:made)
    rescue => error
      return if @state == :gone

      end_as(:broken)
      warn "#{Time.now.utc.iso8601} fault in a download\n#{FaultLog.said(error)}"
    ensure
      MADE_AT_A_TIME.pop
    end

    def end_as(state)
      @file.flush
      @state = state
    end

    # @return [Boolean] nothing comes any more: looked at before the rest is read
    def over? = %i[made broken].include?(@state)

    def send_all
      File.open(@file.path, "rb") do |read|
        loop do
          over = over?
          part = read.read(PART_BYTES)
          if part
            give(framed(part))
          else
            (over ? break : sleep(0.02))
          end
        end
      end
      give("0\r\n\r\n") if @chunked && @state == :made
    rescue Gone, SystemCallError, IOError
      nil
    ensure
      @state = :gone
      @file.close!
      @socket.close
    end

    def framed(part) = @chunked ? "#{part.bytesize.to_s(16)}\r\n#{part}\r\n" : part

    def give(bytes)
      until bytes.empty?
        written = @socket.write_nonblock(bytes, exception: false)
        (written == :wait_writable) ? wait : bytes = bytes.byteslice(written..)
      end
    end

    def wait = @socket.to_io.wait_writable(IDLE_S) || raise(Gone)
  end
end
