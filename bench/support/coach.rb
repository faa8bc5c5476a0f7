# frozen_string_literal: true

require "net/http"
require "nokogiri"
require "rack/builder"
require "rack/session"
require_relative "../../app/rooms"

module Bench
  # Who asks for the pages that are measured: a coach of everybody, who keeps the house.
  module Coach
    LOGIN = "bench"
    PASSWORD = "barge lantern tide mole"

    # @return [Windlass::Records::Person] made where the house has none of that name
    def self.person
      Windlass::Records::Person.find_by(login: LOGIN) || Windlass::Records::Person.transaction { made }
    end

    # @return [Records::Athlete] who the same person is, too
    def self.themselves = Windlass::Records::Athlete.first

    # @return [#call] the pages with their cookie, and the coach in front of them
    def self.app
      coach = person.id
      Rack::Builder.app do
        use Windlass::RequestParameters::SizeLimit
        use Rack::Session::Cookie, **Windlass::Front.cookie
        run ->(env) { Windlass::Web.call(env.merge(Windlass::SignIn::PERSON_ID => coach)) }
      end
    end

    # Signs in as a browser does.
    # @param base [URI] of a server
    # @return [String] the cookie
    def self.cookie(base)
      Net::HTTP.start(base.host, base.port) do |http|
        page = http.get("/sign-in")
        token = Nokogiri.HTML5(page.body).at("[name=authenticity_token]")["value"]
        form = URI.encode_www_form("login" => LOGIN, "password" => PASSWORD, "authenticity_token" => token)
        given = http.post("/sign-in", form, "Cookie" => first(page))
        raise "nobody was signed in: #{given.code}" unless given.code == "302"

        first(http.get("/token", "Cookie" => first(given)))
      end
    end

    def self.first(answer) = answer["set-cookie"][/\A[^;]+/]

    def self.made
      person = Windlass::Records::Person.create!(
        account_id: Windlass::Records::Account.first.id, uuid: SecureRandom.uuid, name: "Bench", login: LOGIN,
        made_at: Time.now
      )
      %w[keeper coach].each do |kind|
        person.roles.create!(kind: kind, of_all: kind == "coach", from_on: Date.new(2020, 1, 1))
      end
      # One athlete is themselves, so that their own page is asked for, too; a house for a deck alone has none yet.
      person.roles.create!(kind: "athlete", athlete: themselves, from_on: Date.new(2020, 1, 1)) if themselves
      Windlass::Actions::SetPassword.call(person, PASSWORD)
      person.reload
    end
    private_class_method :first, :made
  end
end
