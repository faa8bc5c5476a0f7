# frozen_string_literal: true

ENV["WINDLASS_ENV"] = "test"
ENV["APP_ENV"] = "test"
ENV["WINDLASS_SECRET"] = "f" * 128

require "spec_helper"
require "fileutils"
require "nokogiri"
require "rack/test"
require_relative "../app/rooms"

# WINDLASS_TEST_URL runs the same on PostgreSQL, in a database that may be emptied. WINDLASS_TEST_LANE names a file of
# its own: several runs may go on side by side.
lane = ENV["WINDLASS_TEST_LANE"]&.then { |name| "-#{name}" }
ENV["WINDLASS_KEY_FILE"] = File.expand_path("../tmp/test#{lane}.key", __dir__)
ENV["WINDLASS_DB"] = ENV.fetch("WINDLASS_TEST_URL") do
  File.expand_path("../tmp/test#{lane}.sqlite3", __dir__).tap { |file|
    FileUtils.rm_f(Dir["#{file}*"])
  }
end
Windlass::Database.connect(Windlass::Database.default_path)
ActiveRecord::Base.connection.execute("DROP SCHEMA public CASCADE; CREATE SCHEMA public") if ENV["WINDLASS_TEST_URL"]
Windlass::Database.migrate
# As a server does: what does not load is found by every spec.
Windlass::ROOMS.eager_load

# A clock that stands where a spec puts it.
class StandingClock
  attr_accessor :now

  def initialize(now) = @now = now
end

module WebHelpers
  include Rack::Test::Methods

  NOON = Time.new(2026, 3, 2, 12)

  class << self
    # Whom a spec seats in front of the pages; nobody: false.
    attr_accessor :seated

    # @return [Records::Person] who keeps the house and coaches everybody
    def keeper
      known = Windlass::Records::Person.find_by(login: "maren")
      known || Windlass::Records::Person.create!(
        account_id: Windlass::Records::Account.first.id, uuid: SecureRandom.uuid, name: "Maren", login: "maren",
        made_at: NOON
      ).tap do |one|
        one.roles.create!(kind: "keeper", from_on: Date.new(2020, 1, 1))
        one.roles.create!(kind: "coach", of_all: true, from_on: Date.new(2020, 1, 1))
      end
    end
  end

  # The pages with their cookie. Who it is stands in the request, as the sign-in puts it there.
  SEATED =
    Rack::Builder.app do
      use Windlass::RequestParameters::SizeLimit
      use Rack::Session::Cookie, **Windlass::Front.cookie
      run(lambda do |env|
        person = WebHelpers.seated.nil? ? WebHelpers.seated = WebHelpers.keeper : WebHelpers.seated
        Windlass::Web.call(env.merge(Windlass::SignIn::PERSON_ID => (person || nil)&.id))
      end)
    end

  def app = SEATED

  def clock = Windlass::Web.settings.clock

  def morning_links = Windlass::MorningLinks.new(Windlass::Security.secret, maker: WebHelpers.keeper.id)

  # Read once, however often it is looked at.
  def page
    return @page if @page_of.equal?(last_response)

    @page_of = last_response
    @page = Nokogiri.HTML5(last_response.body)
  end

  # As it is read: how its lines are laid out in a view says nothing.
  def text = page.at("main").text.split.join(" ")

  # Sends a form as a browser would: with the token of the page that it stands on, and what the form hides.
  def submit(from, to, params = {})
    get(from)
    hidden = page.css("form[action='#{to}'] input[type=hidden]").to_h { |field| [field["name"], field["value"]] }
    post(
      to,
      hidden.merge("authenticity_token" => page.at("meta[name=csrf-token]")["content"]).merge(
        params.transform_keys(&:to_s)
      )
    )
  end

  def send_json(path, body)
    get("/athletes/new")
    header("X-CSRF-Token", page.at("meta[name=csrf-token]")["content"])
    post(path, JSON.generate(body), "CONTENT_TYPE" => "application/json")
  end

  def account = Windlass::Records::Account.first

  def make_athlete(**changes)
    account
      .athletes
      .create!(
        name: "Ines Aldaya",
        born_on: "1995-04-01",
        sex: "female",
        height_cm: 169,
        mass_kg: 61,
        disciplines: ["freediving"],
        **changes
      )
      .tap { |athlete| consented(athlete) && screen(athlete) }
  end

  # Agreed to what is kept, or a guardian did.
  def consented(athlete) =
    athlete.consents.create!(
      account_id: account.id, version: 1, given_at: clock.now,
      guardian: Windlass::Consents.minor?(athlete, clock.now.to_date) ? "Pilar Aldaya" : ""
    )

  # Screened yesterday, with whatever was answered with yes.
  def screen(athlete, *conditions, on: clock.now.to_date - 100, **changes)
    athlete.screenings.create!(
      account_id: account.id,
      answered_on: on,
      conditions: conditions.map(&:to_s),
      guardian_consent_on: on,
      **changes
    )
  end

  def make_pause(athlete, seconds = 24.0, at: NOON - 5 * 3600, **changes)
    athlete.measures.create!(
      account_id: account.id,
      uuid: SecureRandom.uuid,
      kind: "control_pause",
      value: seconds,
      taken_at: at,
      on_waking: true,
      ended_by: "diaphragm",
      first_breath: "calm",
      **changes
    )
  end

  def prescribe(athlete) =
    Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("small-holds"), now: clock.now)

  # Asked, with nothing to say, and on the deck.
  def plan(prescription)
    if prescription.athlete.day_on(clock.now.to_date).new_record?
      Windlass::Actions::KeepDay.call(prescription.athlete, {}, now: clock.now)
    end
    Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now)
  end

  # A set that was run, all holds held and smooth unless said.
  def run_set(prescription, at: clock.now, breaths: {}, **changes)
    session = Windlass::Actions::PlanSession.call(prescription.reload, now: at)
    Windlass::Actions::KeepJournal.call(session, journal(session, breaths: breaths), now: at)
    session.update!(effort: 3, **changes)
    Windlass::Actions::StoreVerdict.call(session)
    session
  end

  # @return [Records::Person] whose phone is in hand from now on
  def hold_phone(whose = athlete)
    Windlass::Actions::BindDevice.link(whose, by: WebHelpers.keeper, now: clock.now)
    device = Windlass::Records::Device.last
    Windlass::Actions::BindDevice.call(device, name: "a phone", now: clock.now)
    WebHelpers.seated = device.reload.person
  end

  def as_coach
    WebHelpers.seated, before = nil, WebHelpers.seated
    yield.tap { WebHelpers.seated = before }
  end

  def journal(session, breaths: {}, holds: session.to_timeline.holds, ending: "finish")
    marks =
      holds.flat_map do |place|
        [
          {kind: "hold_start", at_ms: place.start_ms, round: place.number},
          {kind: "hold_end", at_ms: place.end_ms, round: place.number},
          {
            kind: "first_breath",
            at_ms: place.end_ms + 900,
            round: place.number,
            value: breaths.fetch(place.number, "smooth")
          }
        ]
      end
    all = [{kind: "start", at_ms: 0}, *marks, {kind: ending, at_ms: session.to_timeline.total_ms}]
    all.map { |event| event.merge(uuid: SecureRandom.uuid) }
  end
end

RSpec.configure do |config|
  config.include WebHelpers, :web

  config.before(:each, :web) do
    Windlass::Web.set :clock, StandingClock.new(WebHelpers::NOON)
    WebHelpers.seated = nil
    header("Host", "127.0.0.1")
  end

  config.around(:each, :web) do |example|
    ActiveRecord::Base.transaction do
      example.run
      raise ActiveRecord::Rollback
    end
  end
end
