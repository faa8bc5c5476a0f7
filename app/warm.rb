# frozen_string_literal: true

require "rack/mock"

module Windlass
  # What the first visitor of a day would wait for is done before the door opens: views are compiled, the desk is put together once.
  module Warm
    PAGES = ["/", "/athletes", "/log", "/protocols"].freeze

    # @param app [#call]
    def self.up(app)
      visitor = Rack::MockRequest.new(app)
      seen = PAGES.map { |page| visitor.get(page, "HTTP_HOST" => "127.0.0.1") }
      [seen.first.body[%r{href="(/athletes/\d+)"}, 1], seen.first.body[%r{href="(/sessions/[-\h]+)"}, 1], seen.first.body[%r{href="(/prescriptions/\d+)}, 1]].compact.each { |page| visitor.get(page, "HTTP_HOST" => "127.0.0.1") }
    end
  end
end
