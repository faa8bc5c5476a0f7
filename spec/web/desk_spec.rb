# frozen_string_literal: true

require "web_helper"

# Today for a coach who has more to mind than small holds.
RSpec.describe "The desk", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  def section(name) = page.css("section[aria-labelledby=#{name}] li").map { |row| row.text.split.join(" ") }

  def measure(kind, value, at: clock.now - 3600, **details)
    athlete.measures.create!(
      account_id: account.id, uuid: SecureRandom.uuid, kind: kind, value: value, taken_at: at, details: details
    )
  end

  def give(id) = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now)

  it "says what changed since yesterday: answers, and measures that ladders are built from" do
    give("small-holds")
    screen(athlete, :asthma, on: clock.now.to_date)
    measure("maximal_hold", 118, first_breath: "smooth", eventful: "no")
    measure("sustained_exhale", 22, at: clock.now - 3 * 86_400, tempo: 66)
    get("/")

    expect(section("changed")).to eq [
      "Ines Aldaya Screened today: asthma, well controlled Open",
      "Ines Aldaya Maximal hold today: 1:58 Read"
    ]
  end

  it "asks for screenings and clearances before they lapse" do
    give("small-holds")
    athlete.screenings.first.update!(answered_on: (clock.now.to_date << 12) + 14)
    get("/")
    expect(section("missing")).to eq ["Ines Aldaya The screening lapses on 16 March 2026 Screening"]

    athlete.screenings.first.update!(answered_on: clock.now.to_date - 1)
    athlete.clearances.create!(
      account_id: account.id,
      clinician: "Dr Holt",
      families: ["tables"],
      given_on: clock.now.to_date - 9,
      expires_on: clock.now.to_date + 15
    )
    get("/")
    expect(section("missing")).to eq []
  end

  it "lists those who may go first, each with one action; what waits says until when" do
    measure("maximal_hold", 120, at: clock.now - 20 * 86_400, first_breath: "smooth", eventful: "no")
    give("co2-table")
    give("counted-recovery")
    run_set(athlete.prescriptions.find_by(protocol: "co2-table"))
    give("full-breath")
    get("/")

    expect(section("train").map { |row| row[/(Check in and start|Open)\z/] }).to eq ["Check in and start", "Open"]
    expect(
      section("train").last
    ).to include "Wait. Carbon-dioxide table is done today: one such session a day. Not before 3 March 2026."
  end

  it "puts no session on the deck that was planned before something forbade it" do
    session = Windlass::Actions::PlanSession.call(give("small-holds"), now: clock.now)
    get("/sessions/#{session.uuid}/deck")
    expect(last_response.status).to eq 200

    screen(athlete, :pressure_high, on: clock.now.to_date)
    get("/sessions/#{session.uuid}/deck")
    expect([last_response.status, last_response.headers["location"]]).to match [303, /prescriptions/]
    follow_redirect!
    expect(text).to include "High blood pressure that is not controlled: blocked."
  end

  it "pauses the control pause after panic" do
    session = run_set(give("small-holds"))
    Windlass::Actions::RateSession.call(
      session,
      {effort: 3, symptoms: ["panic"], note: "", rounds: {}},
      now: clock.now
    )

    expect(athlete.reload.control_pause_use).to eq "paused"
  end

  it "allows a maximal hold to nobody under 18, nor with a control pause under 10 s" do
    young = make_athlete(name: "Beatrix", born_on: "2009-06-01").tap { |one| make_pause(one, 22) }
    short = make_athlete(name: "Bashir").tap { |one| make_pause(one, 9) }
    refusals =
      [young, short].map do |one|
        get("/athletes/#{one.id}/measures/maximal_hold/new")
        text[/Not (under|with)[^.]*\./]
      end

    expect(refusals).to eq ["Not under 18 years.", "Not with a control pause under 10 s."]
  end

  it "draws counted rests as long as they took" do
    measure("maximal_hold", 120, at: clock.now - 20 * 86_400, first_breath: "smooth", eventful: "no")
    session = Windlass::Actions::PlanSession.call(give("counted-recovery"), now: clock.now)
    holds = session.to_timeline.holds.first(2)
    events = [
      {kind: "start", at_ms: 0},
      {kind: "hold_start", at_ms: 124_000, round: 1},
      {kind: "hold_end", at_ms: 169_000, round: 1},
      {kind: "hold_start", at_ms: 219_000, round: 2},
      {kind: "hold_end", at_ms: 264_000, round: 2},
      {kind: "stop", at_ms: 264_000}
    ]
    Windlass::Actions::KeepJournal.call(
      session,
      events.map { |event| event.merge(uuid: SecureRandom.uuid) },
      now: clock.now
    )

    expect(holds.last.start_ms).to eq 206_000
    expect(session.reload.to_run.holds.last.start_ms).to eq 219_000
    get("/sessions/#{session.uuid}")
    expect(page.at("svg.strip desc").text).to start_with "4 min 24 s in all: 2 holds of 45 s."
  end
end
