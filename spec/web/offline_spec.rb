# frozen_string_literal: true

require "web_helper"

# What makes the application one that is installed, and what is taken along.
RSpec.describe "Taken along", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }

  def take_along(*ids) = submit("/", "/take-along", "prescription[]" => ids.map(&:to_s))

  it "has a manifest, and a worker that knows every part there is, each of which is served" do
    get("/manifest.webmanifest")
    manifest = JSON.parse(last_response.body)
    expect([last_response.content_type, manifest.values_at("name", "start_url", "scope", "display")]).to eq [
      "application/manifest+json",
      %w[Windlass / / standalone]
    ]
    get("/sw.js")
    parts = JSON.parse(last_response.body[/self\.WINDLASS = (\{.*?\});\n/, 1]).fetch("parts")

    expect(last_response.content_type).to start_with("text/javascript")
    files =
      Dir["app/*/scripts/*.js", "app/shared/public/**/*", "data/voice/*"].count do |file|
        File.file?(file) && !file.include?("/licences/")
      end + 1
    expect([parts.size, parts.uniq.size]).to eq [files, files]
    assets = Rack::MockRequest.new(Rack::URLMap.new(Windlass::Assets::PREFIX => Windlass::Assets.files))
    expect(parts.map { |part| assets.get(part).status }.uniq).to eq [200]
    get("/along")
    expect(text).to include("Nothing lies on this device for today.")
  end

  it "plans what is ticked, says of whom it is not possible and why, and brings the squads of the day along" do
    other = prescribe(make_athlete(name: "Odd Falk").tap { |one| make_pause(one) })
    Windlass::Actions::KeepDay.call(other.athlete, {answers: ["alcohol"]}, now: clock.now)
    third, fourth = ["Ann Ek", "Bo Ry"].map { |name| prescribe(make_athlete(name: name).tap { |one| make_pause(one) }) }
    squad = Windlass::Actions::PlanSquad.call(account, [third, fourth].each { |one| plan(one) }, now: clock.now)
    prescription
    take_along(prescription.id, other.id)
    decks = JSON.parse(page.at("#decks").text)["decks"]

    expect(decks.map { |deck| [deck["name"], deck["title"]] }).to eq [
      ["Ines Aldaya", "Small holds"],
      ["Ann Ek and Bo Ry", "Together"]
    ]
    expect(decks.map { |deck| deck["path"] }).to eq [
      "/sessions/#{prescription.sessions.sole.uuid}/deck",
      "/squads/#{squad.uuid}/deck"
    ]
    expect(page.at(".fault").text).to include("alcohol")
    take_along(prescription.id)
    expect(prescription.sessions.count).to eq 1
  end

  it "asks on the deck only whom nobody asked" do
    unasked =
      lambda do |session|
        get("/sessions/#{session.uuid}/deck")
        [JSON.parse(page.at("#plan").text)["unasked"], text[/Ask: unwell, .*?\?/]]
      end
    session = Windlass::Actions::PlanSession.call(prescription, now: clock.now)

    expect(unasked[session]).to eq [
      true,
      "Ask: unwell, wheezy or tight in the chest, injured, alcohol, sedatives, no food for 16 hours, or faint, " \
      "water later today or a chest illness?"
    ]
    Windlass::Actions::KeepDay.call(athlete, {}, now: clock.now)
    expect(unasked[session]).to eq [false, nil]
  end

  it "begins and ends when it did, though it is sent a day later; the day that was planned stays its day" do
    session = plan(prescription)
    sent = clock.now + 86_400
    events = journal(session).map { |event| event.merge(ago_ms: 86_400_000 - event[:at_ms]) }
    Windlass::Actions::KeepJournal.call(session, events, now: sent)

    expect([session.reload.started_at, session.ended_at, session.local_date]).to eq [
      clock.now,
      clock.now + session.to_timeline.total_ms / 1000.0,
      clock.now.to_date
    ]
  end

  it "begins on its day though the device's clock was a day behind when it began, and right when it sent" do
    session = plan(prescription)
    events = journal(session).map { |event| event.merge(ago_ms: (event[:kind] == "finish") ? 0 : 86_400_000) }
    Windlass::Actions::KeepJournal.call(session, events, now: clock.now + 1200)
    expect([session.reload.started_at, session.ended_at]).to eq [session.planned_at, clock.now + 1200]
  end
end
