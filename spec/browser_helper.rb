# frozen_string_literal: true

require "web_helper"

ENV["WINDLASS_WORKERS"] = "0"
# On a slow machine a page that was just opened may take a while until it can be asked: so many tenths of a second.
ENV["FERRUM_INTERMITTENT_ATTEMPTS"] = "50"
require "capybara/rspec"
require "capybara/cuprite"
require "rack/builder"
require_relative "../db/demo/scenario"

# Stops answering while a spec says so: the network is gone, or the server is starting anew.
class Outage
  class << self
    # now: only what is sent is lost. all: nothing is answered at all, as if nobody were there.
    attr_accessor :now, :all
  end

  def initialize(app) = @app = app

  def call(env)
    return env["rack.hijack"].call.close.then { [-1, {}, []] } if self.class.all

    (self.class.now && env["REQUEST_METHOD"] == "POST") ? [503, {}, []] : @app.call(env)
  end
end

# What Chromium's own microphone hears again and again: two seconds of a room, three of a hiss, one and a half of the
# room.
module FakeMicrophone
  FILE = File.expand_path("../tmp/hiss#{ENV["WINDLASS_TEST_LANE"]}.wav", __dir__)
  RATE = 48_000
  HISS_S = 3

  # Noise of a seed; its steps from sample to sample are the upper half of it, where a hiss lives.
  def self.write
    random = Random.new(7)
    samples =
      [[2, 0.0004], [HISS_S, 0.12], [1.5, 0.0004]].flat_map do |seconds, loud|
        Array.new((seconds * RATE).to_i) { (random.rand(-1.0..1.0) * loud * 32_767).round }
      end
    data = samples.pack("s<*")
    header = ["RIFF", 36 + data.bytesize, "WAVE", "fmt ", 16, 1, 1, RATE, RATE * 2, 2, 16, "data", data.bytesize].pack(
      "a4Va4a4VvvVVvva4V"
    )
    File.binwrite(FILE, header + data)
    FILE
  end
end

# Each example begins in a window of its own, where nobody was before: without cookies, and with nothing put away. The
# scripts and styles stay, as in anybody's browser on the second day: to read them anew took half of most examples.
class KeptScripts < Capybara::Cuprite::Driver
  STORES = "cookies,local_storage,indexeddb,cache_storage,service_workers,storage_buckets,file_systems"

  def reset!
    left = window_handles
    browser.options.reset_window_size
    switch_to_window(open_new_window.target_id)
    left.each { |window| close_window(window) }
    browser.page.command("Network.clearBrowserCookies")
    browser.page.command(
      "Storage.clearDataForOrigin", origin: Capybara.current_session.server.base_url, storageTypes: STORES
    )
  end
end

Capybara.register_driver(:chromium) do |app|
  KeptScripts.new(
    app,
    window_size: [1280, 800],
    browser_path: "/usr/bin/chromium-headless-shell",
    # More than the longest wait of a spec.
    timeout: 70,
    process_timeout: 30,
    js_errors: true,
    browser_options: {
      # One process draws all windows: each of its own would begin by reading the same scripts.
      "no-sandbox" => nil, "renderer-process-limit" => "1", "font-render-hinting" => "none",
      "force-prefers-reduced-motion" => nil, "autoplay-policy" => "no-user-gesture-required",
      "disable-background-networking" => nil, "use-fake-ui-for-media-stream" => nil,
      "use-fake-device-for-media-stream" => nil, "use-file-for-fake-audio-capture" => FakeMicrophone.write
    }
  )
end
FRONT = Outage.new(Rack::Builder.parse_file(File.expand_path("../config.ru", __dir__)))
Capybara.app = FRONT
Capybara.server = :puma, {Silent: true, Threads: "0:4"}
Capybara.server_host = "127.0.0.1"
Capybara.javascript_driver = Capybara.default_driver = :chromium
# A machine with other work is slow; what is there is found at once.
Capybara.default_max_wait_time = 15
# Whoever asks a hundred times a second keeps what is asked from being ready.
Capybara.default_retry_interval = 0.05
Capybara.enable_aria_label = true

module BrowserHelpers
  # A clock for the page that stands until it is moved, and goes on across a reload. No spec sleeps through a hold.
  CLOCK = <<~JS
    (() => {
      // Between two pages there may be one of nobody's, which has no store.
      if (window.origin === "null") return;
      let offset = Number(sessionStorage.getItem("offset") ?? 0);
      const start = 1772449200000;
      window.windlassClock = { wall: () => start + offset, at: () => start + offset };
      window.passTime = (ms) => { offset += ms; sessionStorage.setItem("offset", offset); };
    })();
  JS

  PASSWORD = "four words for browsers"

  # Signed in once, over the page itself; each spec begins with that cookie.
  def self.cookie
    @cookie ||= begin
      keeper = WebHelpers.keeper
      Windlass::Actions::SetPassword.call(keeper, PASSWORD)
      asked = Rack::MockRequest.new(FRONT)
      of_this_machine = {"HTTP_HOST" => "127.0.0.1"}
      page = asked.get("/sign-in", of_this_machine)
      token = Nokogiri.HTML5(page.body).at("[name=authenticity_token]")["value"]
      given = page["set-cookie"][/\A[^;]+/]
      asked
        .post(
          "/sign-in",
          of_this_machine.merge(
            "HTTP_COOKIE" => given, :params => {"login" => keeper.login, "password" => PASSWORD,
                                                "authenticity_token" => token}
          )
        )["set-cookie"][/windlass=([^;]+)/, 1]
    end
  end

  def sign_in_as_keeper = page.driver.set_cookie("windlass", BrowserHelpers.cookie, domain: "127.0.0.1", path: "/")

  def sign_out = page.driver.remove_cookie("windlass", domain: "127.0.0.1")

  # Nobody is signed in any more; an athlete's own phone is in hand.
  def hold_phone_of(athlete)
    now = Windlass::Web.settings.clock.now
    Windlass::Actions::BindDevice.link(athlete, by: WebHelpers.keeper, now: now)
    device = Windlass::Records::Device.last
    Windlass::Actions::BindDevice.call(device, name: "a phone", now: now)
    sign_out
    page.driver.set_cookie(Windlass::Phone.cookie, device.reload.key, domain: "127.0.0.1", path: "/")
  end

  def give_clock
    page.driver.browser.page.command("Page.addScriptToEvaluateOnNewDocument", source: CLOCK)
  end

  def pass(seconds) = page.execute_script("passTime(#{(seconds * 1000).round})")

  def key(*keys) = keys.each { |one| page.driver.browser.keyboard.type(one) }

  # Keys are heard once the browser has found what it knows of the session. In a profile that was made a moment ago its
  # store sometimes opens for the second page only.
  def put_on_deck(path)
    visit(path)
    visit(path) unless page.has_css?(".top p", exact_text: "Saved", wait: 12)
    expect(page).to have_css(".top p", exact_text: "Saved", wait: 20)
  end

  # Starts what is on the deck, and lets it be counted in.
  def start_deck
    key(:space)
    pass(3)
  end

  # What was taken along before anybody could be asked asks first.
  def ask_and_start
    expect(page).to have_css(".cue", text: "Ask first")
    key(:space)
    expect(page).to have_css(".cue", text: "Ready")
    pass(1)
    start_deck
  end

  # Two lanes share two processors: a script that stretches a hundred words takes long, and a hang still ends.
  def found_by(script) = Capybara.using_wait_time(60) { page.evaluate_async_script(script) }

  # The driver looks through all that was ever asked for at each answer: that takes longest where many are opened.
  def visit(...)
    page.driver.clear_network_traffic
    super
  end

  AXE = File.read(File.expand_path("support/vendor/axe.min.js", __dir__))

  # @return [Array<String>] what axe finds wrong
  def violations
    page.execute_script(AXE) unless page.evaluate_script("'axe' in window")
    found =
      found_by(
        # What passes is not described, and no style sheet is read a second time: axe is asked for faults alone.
        "axe.run({resultTypes: ['violations'], preload: false, rules: {'target-size': {enabled: true}}})" \
        ".then((result) => " \
        "arguments[0](result.violations.map((one) => " \
          "`${one.id}: ${one.nodes.map((node) => node.html.slice(0, 90)).join(' | ')}`)))"
      )
    Array(found)
  end
end

RSpec.configure do |config|
  config.include WebHelpers, :browser
  config.include Capybara::DSL, :browser
  config.include BrowserHelpers, :browser

  config.before(:each, :browser) do
    Windlass::Web.set :clock, StandingClock.new(WebHelpers::NOON)
    Outage.now = false
    Windlass::Demo::Scenario.clear
    sign_in_as_keeper
  end

  config.after(:each, :browser) do
    Capybara.reset_sessions!
    Windlass::Demo::Scenario.clear
  end
end
