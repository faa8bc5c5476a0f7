# frozen_string_literal: true

require "web_helper"

# What a deck is told: cautions where they act, where one is, whose words, whose start.
RSpec.describe "What a deck is told", :web do
  let(:athlete) { make_athlete(disciplines: %w[freediving singing]).tap { |one| make_pause(one, 40) } }

  def plan_of(protocol, **dose)
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 180,
      taken_at: clock.now - 40 * 86_400,
      details: {}
    )
    Windlass::Actions::KeepDay.call(athlete, {watcher: "Ada Quill", oximeter: true}, now: clock.now)
    prescription = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(protocol), now: clock.now)
    prescription.update!(dose: prescription.dose.merge(dose.transform_keys(&:to_s))) if dose.any?
    session = Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now)
    get("/sessions/#{session.uuid}/deck")
    [JSON.parse(page.at("#plan").text), session]
  end

  def holds(plan) = plan["segments"].select { |segment| segment["kind"] == "hold" }

  it "gives relief in holds with full lungs, and only there" do
    full, = plan_of("full-breath")
    expect(holds(full).map { |hold| hold["relief"] }.uniq).to eq ["Too tight: let a little out, swallow."]
    small, = plan_of("small-holds")
    expect(holds(small).map { |hold| hold["relief"] }.uniq).to eq [nil]
  end

  it "warns in open holds, ten seconds before the forecast floor or before they end by themselves, and ships the " \
    "words" do
    plan, session = plan_of("own-pace")
    open = holds(plan)
    latest =
      open.map { |hold| [session.forecast_of(hold["hold"])&.fetch("floor_s")&.*(1000), hold["at_most_ms"]].compact.min }

    expect(open.map { |hold| hold["calls"] }.zip(latest)).to all(
      satisfy { |calls, at_ms| calls == [[(at_ms - 10_000).round, "Let go soon"]] }
    )
    expect(plan["words"]).to include("let-go-soon")
    expect(holds(plan_of("co2-table").first).map { |hold| hold["calls"] }.uniq).to eq [nil]
  end

  it "sends what is heard with its parts, and names every sound that it needs: all of them ship" do
    %w[co2-table ratio alternate-nostril hiss-ladder full-breath].each do |protocol|
      plan, session = plan_of(protocol)
      clips = plan["segments"].flat_map { |segment| segment["heard"].to_a.flat_map { |_, _, _, names| names.to_a } }
      expect([protocol, clips.uniq - plan["words"], plan["words"] - Windlass::Spoken::Clips::LENGTHS.keys]).to eq [
        protocol,
        [],
        []
      ]
      said =
        Windlass::Spoken
          .of(session.to_timeline, counts: session.to_protocol.counting(session.to_dose))
          .cues
          .select { |cue| cue.kind == :place }
      expect([protocol, clips.count("last-round")]).to eq [protocol, said.count { |cue| cue.words == "last round" }]
    end
  end

  it "counts aloud as its prescription says, from the next look on" do
    numbers = (1..60).to_h { |number| [Windlass::Spoken::Clips.number(number), number] }
    # Of the breath out, which is long enough for several.
    counts = -> do
      JSON.parse(page.at("#plan").text)["segments"][2]["heard"].filter_map do |kind, _, _, clips|
        numbers.fetch(clips.join("-")) if kind == "count"
      end
    end
    plan, session = plan_of("ratio")
    usual, beats = counts.call, plan["segments"][2]["beats"]
    path = "/prescriptions/#{session.prescription_id}"
    submit(path, "#{path}/counting", counting: "down")
    get("/sessions/#{session.uuid}/deck")
    expect([usual, counts.call.reverse]).to eq [usual.sort, counts.call.sort]
    expect([usual.last, counts.call.last]).to eq [beats, 1]

    submit(path, "#{path}/counting", counting: "none")
    get("/sessions/#{session.uuid}/deck")
    expect(counts.call).to eq []
    submit(path, "#{path}/counting", counting: "loud")
    expect([last_response.status, text]).to match [
      422,
      include("loud", "is not allowed; allowed: up, down, none, or nothing.")
    ]
  end

  it "lets a heart lead only what is counted in beats and is no sound" do
    ratio, = plan_of("ratio")
    expect([ratio["paced"], page.at("[data-act=beat]").nil?]).to eq [true, false]
    hiss, = plan_of("hiss-ladder")
    expect(hiss["segments"].select { |segment| segment["exhale"] }.map { |segment| segment["paced"] }.uniq).to eq [nil]
    expect(page.css("button").map { |button| button.text.strip }).to include("Microphone")
    small, = plan_of("small-holds")
    expect([small["paced"], page.at("[data-act=beat]")]).to eq [false, nil]
  end

  it "knows where it is followed: an address, and the same for a camera" do
    _, session = plan_of("small-holds")
    links = Windlass::FollowLinks.new(Windlass::Security.secret, maker: WebHelpers.seated.id)
    link = Windlass::Presenters::FollowLink.new(links.path(session), base: "http://127.0.0.1")

    expect(page.at("#setup").text).to include(link.address)
    expect(page.at("#setup img")["src"]).to eq link.code_path
    get(link.code_path)
    code = Nokogiri.XML(last_response.body).remove_namespaces!
    expect([last_response.headers["content-type"], code.at("path")["d"], code.root["viewBox"]]).to eq [
      "image/svg+xml",
      link.squares,
      "0 0 #{link.size} #{link.size}"
    ]
    # Nobody signs in there. Another run, another kind, or the day after: nothing.
    WebHelpers.seated = false
    seen = ->(path) { get(path).status }
    expect([link.path, "#{link.path}/told"].map(&seen)).to eq [200, 200]
    others = [link.path.sub("run", "squad"), link.path.sub(session.uuid, SecureRandom.uuid), link.path.next]
    expect(others.map(&seen)).to eq [404, 404, 404]
    roles = Windlass::Records::Role.where(kind: "coach")
    ends = ->(day) { roles.update_all(until_on: day) && seen[link.path] }
    expect([ends[clock.now.to_date - 1], ends[nil]]).to eq [410, 200]
    clock.now += 2 * 86_400
    expect(seen[link.path]).to eq 410
    expect(link.squares.scan(/M(\d+) (\d+)/).flatten.map { |place| Integer(place, 10) }.minmax).to eq [4, link.size - 5]
  end

  describe "for twelve" do
    let(:prescriptions) do
      Array.new(12) do |number|
        prescribe(make_athlete(name: format("Lane %02d", number)).tap { |one| make_pause(one, 20 + number) })
      end
    end
    let(:squad) { Windlass::Actions::PlanSquad.call(account, prescriptions.each { |one| plan(one) }, now: clock.now) }

    it "gives each lane its letter, its start and its words; no letter means anything else on a deck" do
      get("/squads/#{squad.uuid}/deck")
      plan = JSON.parse(page.at("#plan").text)
      letters = plan["lanes"].map { |lane| lane["letter"] }

      expect(letters).to eq Windlass::Squad::LETTERS
      expect(letters & %w[C E H U N P Q S V M T O B]).to be_empty
      expect(plan["lanes"].map { |lane| lane["starts_s"] }).to eq squad.sessions.map(&:starts_s)
      expect(plan["words"]).to include(*letters.map { |letter| "lane-#{letter.downcase}" })
      expect(page.css(".lane .mini .hand").size).to eq 12
    end

    it "is followed without a key, and tells of every lane where it stands" do
      send_json(
        "/sessions/#{squad.sessions[4].uuid}/events",
        {device: "a" * 16, events: [], state: {index: 1, at: 5}}
      )
      get("/squads/#{squad.uuid}/told")
      expect(JSON.parse(last_response.body)["lanes"].map { |lane| lane["state"] }).to eq [
        *[nil] * 4,
        {"index" => 1, "at" => 5},
        *[nil] * 7
      ]
      get("/squads/#{squad.uuid}/follow")
      expect([page.css(".lane").size, page.css("button, input, form, a").size]).to eq [12, 0]
    end

    it "stands on Today until all of it is over" do
      squad
      get("/")
      expect(text).to include("Together: Lane 00, Lane 01", "ready")
      squad.sessions.each { |session| Windlass::Actions::KeepJournal.call(session, journal(session), now: clock.now) }
      get("/")
      expect(text).not_to include("Together: Lane 00")
      get("/squads/#{squad.uuid}")
      expect(text).to include("All of them are over.", "These sessions run already, or are over: their starts stay.")
    end
  end

  it "writes files of the log slice by slice, each session once, in the order of the log" do
    stub_const("Windlass::LogFiles::SLICE", 3)
    prescription = prescribe(athlete)
    one = run_set(prescription)
    (1..10).each { |day| one.dup.update!(uuid: SecureRandom.uuid, local_date: clock.now.to_date - day / 2) }
    lines = []
    Windlass::LogFiles.write("sessions", account, Windlass::Forms::LogForm.parse({})) { |line| lines << line }

    expect(lines.drop(1).map { |line| line.split(",").first }).to eq Windlass::Records::Session
      .run
      .order(local_date: :desc, id: :desc)
      .pluck(:uuid)
  end

  it "writes in with the dose that was prescribed on that day" do
    prescription = prescribe(athlete)
    2.times { |day| run_set(prescription, at: clock.now - (5 - day) * 86_400) }
    session = prescription.sessions.in_order.last
    before = prescription.dose
    Windlass::Actions::Decide.call(
      session,
      Windlass::Queries::JudgeDay.call(session),
      decided: :ease,
      because: "tired",
      now: clock.now
    )
    entry = ->(days) { Windlass::Log::Line.read("5 #{(clock.now.to_date - days).iso8601}", today: clock.now.to_date) }
    earlier, later = Windlass::Actions::PastSession.call(prescription.reload, [entry[6], entry[1]], now: clock.now)

    expect([earlier.dose, later.dose]).to eq [before, prescription.dose]
    expect(before).not_to eq prescription.dose
  end
end
