# frozen_string_literal: true

require "web_helper"

# Dives are logged; who dives has somebody, was asked, and may.
RSpec.describe "Water", :web, :both_databases do
  let(:names) { ["Ines Aldaya", "Pascale Oren", "Odd Falk"] }
  let!(:divers) { names.map { |name| make_athlete(name: name) } }

  def choose(pairs, clear: divers.map { |one| one.id.to_s }) =
    submit("/water", "/water", "pair" => pairs.to_h { |diver, pair| [diver.id.to_s, pair] }, "clear[]" => clear)

  def dive(diver, at: WebHelpers::NOON.to_i * 1000 - 3_600_000, uuid: SecureRandom.uuid, **more)
    send_json(
      "/dives",
      {uuid: uuid, athlete_id: diver.id, down_ms: at, seconds: 60, buddy: "Pascale Oren"}.merge(more)
    )
    Windlass::Records::Dive.find_by(uuid: uuid)
  end

  it "lets nobody dive alone, unasked, after alcohol or after over-breathing; the others go to the clock in pairs" do
    choose({divers[0] => "1"})
    expect(text).to include("Ines Aldaya: a pair is two.")
    choose({divers[0] => "1", divers[1] => "1"}, clear: [divers[0].id.to_s])
    expect(text).to include("Not asked today: Pascale Oren.")
    Windlass::Actions::KeepDay.call(divers[2], {answers: ["alcohol"]}, now: clock.now)
    choose({divers[0] => "1", divers[2] => "1"})
    expect(text).to include("Odd Falk: ", "alcohol")

    choose({divers[0] => "1", divers[1] => "1"})
    follow_redirect!
    expect(page.css(".diver").map { |one| one["aria-label"] }).to eq ["Ines Aldaya", "Pascale Oren"]
    expect(divers[0].day_on(clock.now.to_date).answers).to eq ["water_today"]
  end

  it "logs a dive once, flags what was begun too early, corrects what is sent again, and keeps what stood there" do
    uuid = SecureRandom.uuid
    2.times { dive(divers[0], uuid: uuid) }
    early = dive(divers[0], at: WebHelpers::NOON.to_i * 1000 - 3_480_000)
    expect([Windlass::Records::Dive.count, early.short]).to eq [2, true]
    dive(divers[0], uuid: uuid, seconds: 25, depth_m: 12, signs: "well")

    expect(early.reload.short).to be false
    expect(Windlass::Records::Correction.sole.before).to eq("seconds" => 60.0)
    get("/water")
    expect(text).to include("0:25", "12 m")
  end

  it "stops at shaking and blackouts, and refuses what is none of a dive" do
    dive(divers[1], signs: "shaking")
    expect(divers[1].suspensions.sole.reason).to match(/\ALoss of motor control .* after a dive on 2 March 2026\./)
    [
      {seconds: -3},
      {depth_m: 900},
      {signs: "fine"},
      {down_ms: WebHelpers::NOON.to_i * 1000 + 9_000_000},
      {uuid: "x"}
    ].each { |wrong| expect(dive(divers[0], **wrong)).to be_nil }
    expect(last_response.status).to eq 422
    dive(divers[0], uuid: Windlass::Records::Dive.first.uuid)
    expect(last_response.status).to eq 422
  end
end
