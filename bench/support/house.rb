# frozen_string_literal: true

ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require "fileutils"
require "net/http"
require "tmpdir"
require "ferrum"
require_relative "../../app/rooms"
require_relative "coach"

module Bench
  # A house of its own for a measurement: a database in a file of its own, athletes with a session each, a server that
  # can be killed.
  class House
    PORT = 9595
    BASE = "http://127.0.0.1:#{PORT}"

    attr_reader :sessions

    # @param athletes [Integer]
    # @param segments [Array<Timeline::Segment>] what each of them runs
    def initialize(athletes:, segments:)
      @folder = Dir.mktmpdir
      Windlass::Database.connect(database)
      Windlass::Database.migrate
      Coach.person
      @sessions = Array.new(athletes) { |number| session(number, segments) }
    end

    def database = File.join(@folder, "house.sqlite3")

    # Comes back once the server answers.
    def start
      @server =
        spawn(
          {"WINDLASS_DB" => database, "PORT" => PORT.to_s, "RUBYOPT" => "--yjit"},
          "bundle",
          "exec",
          "puma",
          "--quiet",
          "-C",
          "config/puma.rb",
          chdir: File.expand_path("../..", __dir__),
          out: File::NULL,
          err: File::NULL,
          pgroup: true
        )
      sleep 0.02 until answers?
    end

    # As a power cut would: nothing is finished.
    def kill
      Process.kill(:KILL, -@server)
      Process.wait(@server)
    end

    def remove = FileUtils.rm_rf(@folder)

    # @param prelude [String] runs before the scripts of each page
    # @return [Ferrum::Browser] a browser with a profile of its own; our scripts may add modules of their own to the
    #   page
    def browser(prelude)
      Ferrum::Browser
        .new(
          browser_path: "/usr/bin/chromium",
          window_size: [1280, 800],
          timeout: 30,
          process_timeout: 30,
          browser_options: {
            "no-sandbox" => nil,
            "autoplay-policy" => "no-user-gesture-required"
          }
        )
        .tap do |browser|
          name, value = Coach.cookie(URI(BASE)).split("=", 2)
          browser.cookies.set(name: name, value: value, domain: "127.0.0.1", path: "/")
          browser.page.command("Page.setBypassCSP", enabled: true)
          browser.page.command("Page.addScriptToEvaluateOnNewDocument", source: prelude)
        end
    end

    private

    def answers?
      Net::HTTP.get_response(URI("#{BASE}/token")).is_a?(Net::HTTPSuccess)
    rescue SystemCallError, EOFError, Net::OpenTimeout, Net::ReadTimeout
      false
    end

    def session(number, segments)
      now = Time.now
      athlete =
        Windlass::Records::Account.first.athletes.create!(
          name: "Lane #{number + 1}",
          born_on: "1995-04-01",
          sex: "female",
          height_cm: 169,
          mass_kg: 61,
          disciplines: ["surfing"]
        )
      Windlass::Actions::KeepConsent.give(athlete, guardian: "", now: now)
      athlete.screenings.create!(account_id: 1, answered_on: now.to_date, conditions: [])
      athlete.measures.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        kind: "control_pause",
        value: 24,
        taken_at: now - 3600,
        on_waking: true,
        ended_by: "diaphragm",
        first_breath: "calm"
      )
      Windlass::Actions::KeepDay.call(athlete, {}, now: now)
      prescription = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("small-holds"), now: now)
      Windlass::Actions::PlanSession
        .call(prescription, now: now)
        .tap { |one| one.update!(segments: segments.map(&:to_h_plain)) }
    end
  end
end
