# frozen_string_literal: true

module Windlass
  # What is written down of what went wrong. A refusal that is expected is one line, without anybody's name: the code,
  # and the route that was asked. A fault has a name, all of which it came, and what it was called from.
  module FaultLog
    # Lines of ours are enough to find a fault by.
    MOST_LINES = 30

    # @param request [Sinatra::Request]
    def self.refusal(code, request) = write(request, "refused #{code} #{request.request_method} #{route(request)}")

    # @param id [String] as the page shows it
    # @param error [Exception]
    def self.fault(id, request, error)
      write(request, "fault #{id} #{request.request_method} #{route(request)}\n#{said(error)}")
    end

    # @return [String] all of which it came, and what it was called from
    def self.said(error) =
      [
        *ErrorPages.causes(error).map { |one| "#{one.class}: #{plain(one)}" },
        *error.backtrace.to_a.first(MOST_LINES)
      ].join("\n")

    # The route, not the address: in that may stand whose page it is.
    def self.route(request) = request.env["sinatra.route"].to_s[/\S+\z/] || "an address that is none"

    # What a database or a parser says holds values: only the kind of it is written.
    def self.plain(error) =
      if error.is_a?(ActiveRecord::ActiveRecordError)
        error.message.lines.first.to_s[/\A[\w:]+(: [\w ]+)?/]
      else
        error.message.lines.first.to_s.strip[0, 200]
      end

    def self.write(request, text) = request.env["rack.errors"]&.puts("#{Time.now.utc.iso8601} #{text}")
    private_class_method :route, :plain, :write
  end
end
