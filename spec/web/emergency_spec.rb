# frozen_string_literal: true

require "web_helper"

RSpec.describe "When something happens", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:session) { Windlass::Actions::PlanSession.call(prescribe(athlete), now: clock.now) }

  def event(kind, at_ms, value = nil) = {uuid: SecureRandom.uuid, kind: kind, at_ms: at_ms, value: value}.compact

  def sent(*events) = send_json("/sessions/#{session.uuid}/events", events: events)

  def card = get("/sessions/#{session.uuid}/deck").then { page.at("#emergency").text.squish }

  it "says on every deck what to do and whom to call, and beforehand that no number is set" do
    expect(card).to include "No emergency number is set for this place.", "Local rules and your training come first."
    expect(page.at(".next").text).to include "No emergency number is set"

    submit("/place", "/place", emergency_number: "ask Ada", site: "Boathouse")
    expect([last_response.status, page.at("#emergency_number")["value"], page.at("#site")["value"], text]).to match [
      422,
      "ask Ada",
      "Boathouse",
      /“ask Ada” is no number to call/
    ]

    submit(
      "/place", "/place", emergency_number: "+44 (0) 1632 960", site: "Boathouse, <Slip> 3",
      oxygen_at: "Under the stairs"
    )
    expect(card).to include "Call +44 (0) 1632 960", "Boathouse, <Slip> 3", "Oxygen Under the stairs"
    expect(page.css("#emergency ol").map { |list| list.css("li").first.text }).to eq [
      "Roll onto the side.",
      "Airway out of the water."
    ]
    expect([page.at(".emergency-call a")["href"], page.at(".next").text]).to match [
      "tel:+441632960",
      /\A(?!.*No emergency number)/
    ]
  end

  it "keeps what was noted, before a session began and after it ended, as the beginning of a report, and counts no " \
    "time for it" do
    sent(event("emergency", 0), event("emergency_note", 4_000, "called"))
    get("/sessions/#{session.uuid}")
    expect([session.reload.state, page.css(".notice-stop li").map { |line| line.text.squish }]).to eq [
      "planned",
      ["0:00 emergency card opened", "0:04 called"]
    ]

    run_set(session.prescription)
    ran_ms = session.reload.done_ms
    sent(
      event("emergency", 500_000),
      event("emergency_note", 1_500_000, "arrived"),
      event("emergency_note", 2, "nonsense")
    )
    expect(
      [session.reload.done_ms, session.journal_events.where(kind: "emergency_note").count, athlete.suspensions.count]
    ).to eq [ran_ms, 2, 0]
  end

  it "stops all hold work at once where somebody stopped breathing, however often it is sent and whatever is said " \
    "later" do
    run_set(session.prescription)
    noted = event("emergency_note", 600_000, "stopped_breathing")
    2.times { sent(noted) }

    expect(athlete.reload.suspensions.sole.reason).to match(
      /\AStopped breathing, noted on the deck on .* No hold work until a clinician has cleared it\.\z/
    )
    expect([session.reload.symptoms, Windlass::Queries::JudgeDay.call(session).verdict]).to eq [["blackout"], :stop]
    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/rating", {})
    expect(last_response.status).to eq 303
    expect(athlete.suspensions.where(lifted_at: nil).count).to eq 1
  end
end
