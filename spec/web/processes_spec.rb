# frozen_string_literal: true

require "web_helper"

# The server as it is started in earnest: several processes on one house, none of which knows what another keeps.
RSpec.describe "Several processes", :both_databases do
  include Served

  # One server for all: to start it takes longest.
  before(:context) do
    @folder = Dir.mktmpdir
    @environment = {
      "WINDLASS_DB" => house_in(@folder), "PORT" => free_port.to_s, "WINDLASS_WORKERS" => "3", "WINDLASS_THREADS" => "2"
    }
    migrated(@environment)
    @server = serve(@environment)
    wait_until { answer("/token") && workers.size == 3 }
    enter
  end

  after(:context) do
    ended(@server) if @server
    FileUtils.remove_entry(@folder)
  end

  # The first person of the house: by the code, then by the password.
  def enter
    person = {"name" => "Maren", "login" => "maren", "password" => "barge lantern tide mole"}
    answer("/setup", {**person, "code" => Windlass::SetupCode.now, "authenticity_token" => token})
    @cookie = answer("/sign-in", {**person, "authenticity_token" => token})["set-cookie"][/\A[^;]+/]
    # What tokens are made from stands in the cookie, too.
    @cookie = answer("/token")["set-cookie"][/\A[^;]+/]
  end

  # Each on a connection of its own, so that any of the processes may answer.
  def answer(path, form = nil, cookie: @cookie)
    Net::HTTP.start("127.0.0.1", Integer(@environment["PORT"], 10), read_timeout: 20) do |http|
      request = form ? Net::HTTP::Post.new(path).tap { |post| post.set_form_data(form) } : Net::HTTP::Get.new(path)
      request["Cookie"] = cookie if cookie
      http.request(request).tap { |got| @cookie ||= got["set-cookie"].to_s[/\A[^;]+/] }
    end
  end

  def token = JSON.parse(answer("/token").body).fetch("token")

  # What they say who are asked at once.
  def everywhere(path, times: 18) = Array.new(times) { Thread.new { answer(path) } }.map(&:value)

  def said_everywhere(path) =
    everywhere(path).map { |got| Nokogiri.HTML5(got.body).at("main").text.squeeze(" \n") }.uniq

  new_athlete = {
    "name" => "Ines Aldaya", "born_on" => "1995-04-01", "sex" => "female", "height_cm" => "169", "mass_kg" => "61",
    "disciplines[]" => "freediving", "control_pause_use" => "primary", "nervous" => "false", "sleep_signs" => "false"
  }.freeze

  it "say the same at once of what one of them wrote, take one another's tokens, and write nothing twice" do
    made = answer("/athletes", new_athlete.merge("authenticity_token" => token))
    expect(made.code).to eq "303"
    expect(everywhere("/athletes").map { |got| [got.code, got.body.include?("Ines Aldaya")] }.uniq).to eq [
      ["200", true]
    ]

    expect(answer("/athletes/1/consent", {"authenticity_token" => token}).code).to eq "303"

    # Today kept what it said of her in each of them; what is written now changes that.
    expect(said_everywhere("/").size).to eq 1
    taken = {
      "uuid" => SecureRandom.uuid, "taken_on" => Date.today.iso8601, "seconds" => "24", "ended_by" => "diaphragm",
      "first_breath" => "calm", "on_waking" => "true", "authenticity_token" => token
    }
    clicks = Array.new(6) { Thread.new { answer("/athletes/1/control-pauses", taken).code } }.map(&:value)
    expect([clicks.uniq, said_everywhere("/").size, said_everywhere("/athletes/1/measures/control_pause")]).to match [
      ["303"],
      1,
      [include("24", "1 measure")]
    ]
  end

  # Those that answer; and the one that works behind the pages.
  def workers = children - behind

  def behind = `pgrep --parent #{@server} --full bin/work`.split.map { |pid| Integer(pid, 10) }

  def children = `pgrep --parent #{@server}`.split.map { |pid| Integer(pid, 10) }

  it "go on without the one that died" do
    before = workers
    Process.kill(:KILL, before.first)
    said =
      Array.new(12) do
        answer("/athletes").code
      rescue SystemCallError, EOFError
        "lost"
      end

    expect([before.size, said.count("200")]).to match [3, be >= 11]
    wait_until { (workers - before.take(1)).size == 3 }
    expect(everywhere("/athletes").map(&:code).uniq).to eq ["200"]
  end

  it "have one beside them that works behind the pages, and another one when that died" do
    wait_until { behind.size == 1 }
    died = behind.first
    Process.kill(:KILL, died)
    wait_until { behind.size == 1 && behind != [died] }
    form = {
      "authenticity_token" => token,
      "text" => "name,protocol,date,holds\n#{"Nobody,Small holds,2026-02-27,5x13 ok e3\n" * 400}"
    }
    page = URI(answer("/log/table", form)["location"]).path
    wait_until { answer(page).body.include?("400 wrong") }
    expect(
      [
        JSON.parse(answer("/place/archive.json",
          {"authenticity_token" => token,
           "password" => "barge lantern tide mole"}).body)["of"], answer("/log/sessions.csv")["transfer-encoding"]
      ]
    ).to eq %w[place chunked]
  end
end
