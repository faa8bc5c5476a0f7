# frozen_string_literal: true

require "rack/mock"

module Windlass
  # What the first visitor of a day would wait for is done before the door opens: views are compiled, the desk is put
  # together once.
  module Preload
    PAGES = %w[/ /athletes /log /protocols /programme/load /water /bench].freeze
    # Of each kind the first that is linked.
    LINKED = [%r{href="(/athletes/\d+)"}, %r{href="(/sessions/[-\h]+)"}, %r{href="(/prescriptions/\d+)}].freeze

    # @param app [#call]
    def self.up(app)
      visitor = Rack::MockRequest.new(app)
      today, = PAGES.map { |page| visitor.get(page, "HTTP_HOST" => "127.0.0.1") }
      athlete, session, prescription = LINKED.map { |link| today.body[link, 1] }
      [
        athlete,
        session,
        prescription,
        athlete && "/protocols?athlete_id=#{athlete[/\d+/]}",
        session && "#{session}/deck"
      ].compact.each { |page| visitor.get(page, "HTTP_HOST" => "127.0.0.1") }
    end
  end
end
