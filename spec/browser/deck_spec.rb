# frozen_string_literal: true

require "browser_helper"

# What eases a session, what is felt, what leads it: each by its key, and kept as what it is.
RSpec.describe "The deck in full", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:session) { plan(prescribe(athlete)) }
  let(:events) do
    session.reload.journal_events.order(:at_ms, :kind).map { |event| [event.kind, event.round, event.value].compact }
  end

  before { give_clock }

  def on_deck(one = session)
    put_on_deck("/sessions/#{one.uuid}/deck")
    expect(page).to have_css(".cue", text: "Ready")
  end

  def kept = expect(page).to have_text("Saved")

  it "is counted in, shortens holds from here, adds a breath, and notes a symptom with its moment and strength" do
    on_deck
    key(:space)
    expect(page).to have_css(".cue", text: "It begins in")
    pass(3)
    expect(page).to have_css(".cue", text: "Easy breathing")
    key("+")
    pass(session.to_timeline.holds.first.start_ms / 1000.0 + 5 + 4.5)
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)
    key("-")
    expect(page).to have_css(".cue", text: "Breathe")
    key("s")
    click_button("nausea")
    expect(page).to have_text("nausea at 2:14: how strong?")
    click_button("Clear")
    kept

    expect(events).to include(["restore"], ["shorten"], %w[symptom nausea.2])
    expect(session.rounds.first.held_ms).to eq 4_500
    expect([session.symptoms, session.state, athlete.suspensions.count]).to eq [["nausea"], "running", 0]
    visit("/sessions/#{session.uuid}")
    expect(page).to have_text("shorter holds from")
    expect(page).to have_text("nausea, clear, at 2:14")
  end

  it "stops at what stops, and waits for a clinician" do
    on_deck
    start_deck
    pass(30)
    key("s")
    click_button("palpitations")
    click_button("Mild")
    expect(page).to have_css(".cue", text: "Stopped")
    kept

    expect(athlete.suspensions.sole.reason).to start_with("Palpitations, noted on the deck")
  end

  it "learns a pedal, or one button for three deeds by how it is pressed" do
    on_deck
    click_button("Set up")
    click_button("First urge", exact: true)
    key("j")
    click_button("One button for all three")
    key("k")
    click_button("Done")
    # All at once from within the page: how long a short press lasts is then no matter of how busy this machine is.
    press =
      lambda do |*kinds|
        page.execute_script(<<~JS, kinds)
          for (const kind of arguments[0])
            document.body.dispatchEvent(new KeyboardEvent(`key${kind}`, { code: "KeyK", key: "k", bubbles: true }))
        JS
      end
    press["down", "up"]
    expect(page).to have_css(".cue", text: "It begins in")
    pass(3 + session.to_timeline.holds.first.start_ms / 1000.0 + 1)
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)
    key("j")
    press["down", "up", "down", "up"]
    press["down"]
    sleep 0.7
    press["up"]
    kept
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)

    expect(events.map(&:first).tally).to include("first_urge" => 1, "contraction" => 1)
  end

  it "takes the pace from a heart: four taps, a median, from the next round on; the log follows" do
    nostril =
      plan(Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("alternate-nostril"), now: clock.now))
    on_deck(nostril)
    start_deck
    [1, 1, 0.4, 1, 1, 1].each do |gap|
      key("b")
      pass(gap)
    end
    expect(page).to have_button("60 a minute")
    pass(3600)
    expect(page).to have_css(".cue", text: "Done")
    kept

    beat = nostril.journal_events.find_by(kind: "beat")
    first = nostril.to_timeline.segments.index { |segment| segment.round == 1 }
    expect([beat.round, beat.value]).to eq [first + 1, "60"]
    paced = nostril.reload.to_paced.segments[first..]
    expect(paced.select(&:paced?).map { |segment| segment.ms / segment.beats }).to all(eq(1000))
  end

  it "begins, runs and is kept where the browser's storage never answers, and says what that means" do
    page.driver.browser.page.command(
      "Page.addScriptToEvaluateOnNewDocument",
      source: "IDBFactory.prototype.open = () => ({});"
    )
    visit("/sessions/#{session.uuid}/deck")
    expect(page).to have_css(".top p", text: "no room in this browser: keep this page open until all is kept", wait: 20)
    start_deck
    pass(session.to_timeline.holds.first.start_ms / 1000.0 + 1)
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)
    key("u")
    kept

    Timeout.timeout(30) { sleep 0.1 until session.reload.journal_events.pluck(:kind).include?("first_urge") }
    expect(session.state).to eq "running"
  end

  it "is followed on a second screen, through a lost network, with the hold that a hand ended" do
    on_deck
    follow = open_new_window
    within_window(follow) do
      visit("/sessions/#{session.uuid}/follow")
      expect(page).to have_css(".cue", text: "Not begun")
    end
    start_deck
    pass(session.to_timeline.holds.first.start_ms / 1000.0 + 1)
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)
    kept
    key(:space)
    kept
    within_window(follow) do
      expect(page).to have_css(".cue", text: "Breathe", wait: 5)
      Outage.all = true
      expect(page).to have_text("No network", wait: 5)
      Outage.all = false
      expect(page).to have_text("Follows the deck", wait: 5)
      expect(page).to have_no_css("button")
    end
  end
end
