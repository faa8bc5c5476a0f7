# frozen_string_literal: true

require "browser_helper"

# Taken along, and the server gone: from a page that is opened anew to the end, and back.
RSpec.describe "Without a network", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let!(:prescription) { prescribe(athlete) }
  let(:session) { Windlass::Records::Session.order(:id).first }

  before { give_clock }

  after { Outage.all = false }

  def take_along
    other = make_athlete(name: "Pascale Oren").tap { |one| make_pause(one) }
    prescribe(other)
    visit("/")
    all("input.tick").each(&:check)
    click_button("Take along for offline use")
    expect(page).to have_text("2 of 2 are on this device.")
    Outage.all = true
  end

  def note(symptom)
    key("s")
    click_button(symptom)
    click_button("Strong")
  end

  it "opens what was taken along, asks, runs it to its end and rates it; all of it goes up later, once" do
    take_along
    visit("/athletes")
    expect(page).to have_css("h1", text: "Without a network")
    first(:link, "To the deck").click
    ask_and_start
    pass(3600)
    expect(page).to have_text("not sent yet")
    key("2")
    click_button("6")
    visit("/athletes")
    expect(page).to have_text("1 session waits on this device")

    Outage.all = false
    visit("/athletes")
    expect(page).to have_css("h1", text: "Athletes")
    Timeout.timeout(30) { sleep 0.1 until session.reload.effort }
    expect([session.state, session.effort, session.rounds.count, session.rounds.first.first_breath]).to eq [
      "done",
      6.0,
      13,
      "deeper"
    ]
    expect(session.journal_events.pluck(:kind).tally).to include(
      "start" => 1,
      "finish" => 1,
      "effort" => 1,
      "asked" => 1,
      "hold_end" => 13
    )
    expect(athlete.days.sole.answers).to eq []
  end

  it "stops a person's other sessions on this device at once, and as long as the server has not cleared it" do
    other = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("quiet-breathing"), now: clock.now)
    visit("/")
    all("input.tick").each(&:check)
    click_button("Take along for offline use")
    expect(page).to have_text("2 of 2 are on this device.")
    Outage.all = true
    visit("/sessions/#{prescription.sessions.sole.uuid}/deck")
    ask_and_start
    note("chest pain")
    expect(page).to have_css(".cue", text: "Stopped")
    visit("/sessions/#{other.sessions.sole.uuid}/deck")
    expect(page).to have_css(".cue", text: "Stopped on this device")

    Outage.all = false
    visit("/athletes")
    Timeout.timeout(30) { sleep 0.1 until athlete.suspensions.reload.any? }
    expect(athlete.suspensions.sole.reason).to start_with("Chest pain, noted on the deck")
  end
end
