# frozen_string_literal: true

require "rack/mock"

module Windlass
  # What the first visitor of a day would wait for is done before the door opens: views are compiled, the desk is put
  # together once.
  module Preload
    PAGES = %w[/ /athletes /log /protocols /programme/load /water /bench].freeze
    # Of each kind the first that is linked.
    LINKED = [%r{href="(/athletes/\d+)"}, %r{href="(/sessions/[-\h]+)"}, %r{href="(/prescriptions/\d+)}].freeze

    # @param app [#call] the pages
    def self.up(app)
      visitor, seat = Rack::MockRequest.new(app), coach
      today, = PAGES.map { |page| visitor.get(page, seat) }
      athlete, session, prescription = LINKED.map { |link| today.body[link, 1] }
      [
        athlete,
        session,
        prescription,
        athlete && "/protocols?athlete_id=#{athlete[/\d+/]}",
        session && "#{session}/deck"
      ].compact.each { |page| visitor.get(page, seat) }
    end

    # Whoever coaches most sees most pages; in a house of nobody these are few.
    # @return [Hash] of a request
    def self.coach
      role = Records::Role.on(Date.today).where(kind: "coach").order(of_all: :desc, id: :asc).first
      {"HTTP_HOST" => "127.0.0.1", "rack.session" => {}, SignIn::PERSON_ID => role&.person_id}
    end
    private_class_method :coach
  end
end
