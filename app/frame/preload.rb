# frozen_string_literal: true

require "rack/mock"

module Windlass
  # What the first visitor of a day would wait for is done before the door opens: views are compiled, the desk is put
  # together once. The processes that answer come of this one, and what it keeps is kept in each of them.
  module Preload
    PAGES = %w[/ /athletes /log /protocols /programme/load /water /bench].freeze
    SHEET = %r{href="(/athletes/\d+)"}
    # Of each kind the first that is linked.
    LINKED = [SHEET, %r{href="(/sessions/[-\h]+)"}, %r{href="(/prescriptions/\d+)}].freeze
    # Then sheets of athletes, those first whom Today names, for so long: the first look at one costs three times the
    # second.
    SHEETS_S = 3

    # @param app [#call] the pages
    # @param clock [#call] seconds
    def self.up(app, clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
      visitor, seat = Rack::MockRequest.new(app), coach
      look = ->(page) { visitor.get(page, seat).body }
      today, athletes = PAGES.map(&look)
      one_of_each(today).each(&look)
      ends_s = clock.call + SHEETS_S
      (today + athletes).scan(SHEET).flatten.uniq.take_while { |sheet| clock.call < ends_s && look.call(sheet) }
    end

    # @param today [String]
    # @return [Array<String>] pages
    def self.one_of_each(today)
      athlete, session, prescription = LINKED.map { |link| today[link, 1] }
      [
        athlete,
        session,
        prescription,
        athlete && "/protocols?athlete_id=#{athlete[/\d+/]}",
        session && "#{session}/deck"
      ].compact
    end

    # Whoever coaches most sees most pages; in a house of nobody these are few.
    # @return [Hash] of a request
    def self.coach
      role = Records::Role.on(Date.today).where(kind: "coach").order(of_all: :desc, id: :asc).first
      {"HTTP_HOST" => "127.0.0.1", "rack.session" => {}, SignIn::PERSON_ID => role&.person_id}
    end
    private_class_method :one_of_each, :coach
  end
end
