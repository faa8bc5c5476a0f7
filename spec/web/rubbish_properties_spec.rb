# frozen_string_literal: true

require "web_helper"

# Whatever is sent to whatever address of the routing table, tried on many requests that chance makes from a seed: never
# a failure of the server. A new route is covered the day that it is written.
RSpec.describe "Rubbish", :web do
  texts = [
    "",
    "-1",
    "0",
    "1e999",
    "9" * 300,
    "abc",
    "<script>",
    "\u0000",
    "\xFF\xFE",
    "1:30",
    "2026-02-30",
    "2026-03-02",
    "true",
    "small-holds",
    "💨" * 300,
    "accept",
    "repeat"
  ].freeze
  shapes = [
    *texts,
    ["a"],
    ["\xFF", {"b" => ["c"]}],
    {"a" => "b"},
    {"tempfile" => "/etc/passwd", "filename" => "x.csv"},
    {"0" => {"1" => {"2" => "x"}}},
    nil
  ].freeze
  names = %w[
    answers
    answers[]
    answers[heart]
    chest
    watcher
    oximeter
    asked
    limits
    limits[hold_s]
    limits[locks]
    dose
    dose[hold_s]
    dose[pattern]
    dose[rounds]
    breaks
    breaks[0]
    breaks[0][round]
    name
    note
    protocol
    athlete_id
    seconds
    beats
    uuid
    taken_on
    first_breath
    effort
    symptoms
    symptoms[]
    rounds
    rounds[1]
    rounds[1][held_s]
    rounds[1][beats]
    rounds[x][ribs]
    verdict
    seen
    decided
    because
    own
    place
    discipline
    born_on
    sex
    mass_kg
    lock_version
    disciplines[]
    guardian_consent_on
    clinician
    families
    families[]
    given_on
    expires_on
    cleared_on
    file
    trace
    at
    a
    a[hold_s]
    compare
    floor
    events
    state
    device
    prescription
    prescription[]
    clear[]
    pair
    pair[1]
    start
    start[0]
    gap_s
    latest_s
    minutes
    on_the_word
    deed
    lines
    as_planned
    on
    text
    order
    keep
    notebook
    archive
    dives
    from
    to
    symptom
    search
    discarded
    after
    was
    feeling
    slept_h
    margin
    pairs
    size
    table
    place
    photo
    order
    members[]
    slots
    slots[0]
    slots[0][day]
    slots[0][at]
    slots[0][minutes]
    starts_on
    weeks
    easy_every
    times
    times[1]
    times[Mine]
    local_date
    at_min
    date
    from_on
    to_on
    because
    group
    on
    all
    kind
    down_ms
    depth_m
    signs
    tempo
    levels_db
    search
    who
    saved
    morning
  ].freeze

  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  # What stands in the place of each name in a path: what is there, what is of another kind, and what is nothing.
  let(:places) do
    held = {
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 120,
      taken_at: clock.now - 20 * 86_400,
      details: {
        first_breath: "smooth",
        eventful: "no"
      }
    }
    measure = athlete.measures.create!(account_id: account.id, **held)
    table, holds, hiss =
      %w[co2-table small-holds hiss-ladder].map do |id|
        Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now)
      end
    run = 2.times.map { run_set(holds) }.last
    planned = [hiss, table].map { |one| Windlass::Actions::PlanSession.call(one, now: clock.now) }
    Windlass::Actions::Decide.call(
      run,
      Windlass::Queries::JudgeDay.call(run),
      decided: :repeat,
      because: "x",
      now: clock.now
    )
    account.own_protocols.create!(name: "Mine", protocol: "co2-table", dose: table.dose)
    squad =
      Windlass::Records::Squad.create!(
        account_id: 1, uuid: SecureRandom.uuid, local_date: clock.now.to_date, planned_at: clock.now, gap_s: 8,
        latest_s: 300
      )
    planned.each_with_index { |one, lane| one.update!(squad: squad, lane: lane, starts_s: 0) }
    group = Windlass::Records::Group.create!(account: account, name: "Club", athletes: [athlete])
    group.slots.create!(day: 1, at_min: 420, minutes: 40)
    group.events.create!(local_date: clock.now.to_date + 20, kind: "concert")
    programme =
      Windlass::Actions::PlanProgramme.begin(
        [athlete],
        times: {holds.id => 3},
        starts_on: clock.now.to_date,
        weeks: 3,
        easy_every: nil,
        now: clock.now,
        group: group
      ).first
    Windlass::Actions::PlanProgramme.fill(programme, now: clock.now)
    nothing = ["x", "-1", "0", "9" * 40, "%FF", "%00", "..%2f"]
    {
      athlete_id: [athlete.id] * 4 + nothing,
      id: [1, 1, 1, 2, "co2-table", "ratio"] + nothing,
      kind: Windlass::Measures::KINDS.map(&:id) + nothing,
      uuid:
        [run.uuid, *planned.map(&:uuid), measure.uuid, run.uuid, squad.uuid, *programme.planned_sessions.map(&:uuid)] +
          nothing,
      secret: nothing,
      token:
        [morning_links.path(athlete).split("/").last] * 3 + nothing,
      slot_id: [1, 2] + nothing,
      voice: ["deep"] + nothing,
      name: [Windlass::Spoken::Clips.own_name("x")] + nothing
    }
  end

  define_method(:path_of) do |pattern, random|
    text = pattern.to_s.sub("/own-protocols/(\\d+)\\.yml", "/own-protocols/1.yml").delete("()\\\\")
    text.gsub(/:([a-z_]+)/) { places.fetch(_1.delete_prefix(":").to_sym).sample(random: random) }
  end

  # A key goes deeper than any form's, is a list where a value is wanted, or is there twice.
  hurt = ->(name, random) do
    (random.rand < 0.3) ? "#{name}#{["[]", "[a]", "[0][b][]", "[]["].sample(random: random)}" : name
  end

  it "answers values that are there twice, and lists and nests where one value is wanted, at every address that " \
    "takes a form" do
    get("/athletes/new")
    token = Rack::Utils.escape(page.at("meta[name=csrf-token]")["content"])
    Windlass::Web.routes["POST"].each_with_index do |(pattern, *), index|
      random = Random.new(index)
      path = path_of(pattern, random)
      keys = names.sample(8, random: random).reject { |name| name.include?("[") }
      [
        keys.map { |key| "#{key}=1&#{key}=2" },
        keys.map { |key| "#{key}[]=1&#{key}[]=1" },
        keys.map { |key| "#{key}[x][]=1" }
      ].each do |pairs|
        post(
          path,
          "authenticity_token=#{token}&#{pairs.join("&")}",
          "CONTENT_TYPE" => "application/x-www-form-urlencoded"
        )
        expect(last_response.status).to be < 500, "#{path} of #{pairs}: #{last_response.status}"
      end
    end
  end

  it "is answered, refused or not found at every address, and the page still works after it" do
    get("/athletes/new")
    token = page.at("meta[name=csrf-token]")["content"]
    routes = %w[GET POST].flat_map { |verb| Windlass::Web.routes[verb].map { |pattern, *| [verb.downcase, pattern] } }
    answers =
      routes.each_with_index.flat_map do |(verb, pattern), index|
        Array.new(Many.of(14)) do |seed|
          random = Random.new(index * 100 + seed)
          path = path_of(pattern, random)
          params =
            names
              .sample(random.rand(0..6), random: random)
              .to_h { |name| [hurt[name, random], shapes.sample(random: random)] }
          header("HX-Request", (random.rand < 0.3) ? "true" : nil)
          # Whoever sends rubbish may end their own rights by it: the next address is asked with all of them again.
          Windlass::Records::Role.update_all(until_on: nil)
          public_send(verb, path, params.merge("authenticity_token" => token))

          expect(last_response.status).to be < 500, "#{verb} #{path} of #{params}: #{last_response.status}"
          expect(last_response.headers["content-security-policy"]).not_to be_nil, path
          last_response.status
        end
      end

    expect(answers.uniq).to include(200, 303, 404, 422)
    header("HX-Request", nil)
    Windlass::Records::Role.update_all(until_on: nil)
    get("/")
    expect([last_response.status, text]).to match [200, /Today/]
  end

  # What no browser would send.
  raw = {
    "a nest of hashes" => ["application/x-www-form-urlencoded", "dose#{"[a]" * 60}=1"],
    "percent signs" => %w[application/x-www-form-urlencoded name=%ZZ&%=%],
    "a list and a hash of one name" => ["application/x-www-form-urlencoded", "dose=1&dose[a]=2&dose[]=3"],
    "a multipart body without an end" => [
      "multipart/form-data; boundary=x",
      "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a\"\r\n\r\nabc"
    ],
    "JSON that is deep" => ["application/json", "[" * 200],
    "JSON that is no event" => ["application/json", "{\"events\": [[], 1, null, {\"uuid\": {}}]}"]
  }

  raw.each do |what, (type, body)|
    it "answers #{what} with a page or JSON of its own, never a failure" do
      get("/athletes/new")
      header("X-CSRF-Token", page.at("meta[name=csrf-token]")["content"])
      %w[/athletes /own-protocols/import /sessions/x/events /protocols/co2-table].each do |path|
        post(path, body, "CONTENT_TYPE" => type)
        expect([path, last_response.status]).to match [path, be_between(200, 499)]
        expect(last_response.headers["content-security-policy"]).not_to be_nil
      end
    end
  end

  it "refuses by size before anything is read" do
    get("/athletes/new")
    token = page.at("meta[name=csrf-token]")["content"]
    header("X-CSRF-Token", token)
    {
      "/own-protocols/import" => ["multipart/form-data; boundary=x", 2_000_001],
      "/athletes" => ["application/x-www-form-urlencoded", 512_001],
      "/sessions/x/events" => ["application/json", 512_001]
    }.each do |path, (type, size)|
      post(path, "x" * size, "CONTENT_TYPE" => type)
      expect([path, last_response.status, last_response.body]).to match [path, 413, /larger than (2000|512) kB/]
    end
  end
end
