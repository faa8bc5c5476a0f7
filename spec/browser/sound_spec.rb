# frozen_string_literal: true

require "browser_helper"

# Every tone that is laid out, as the browser hears of it. The session's clock is moved by the spec; the audio clock
# runs.
RSpec.describe "Sound on the deck", :browser do
  ears = <<~JS
    window.tones = [];
    const Real = window.OscillatorNode;
    window.OscillatorNode = class extends Real {
      start(at) {
        this.tone = { pitch: this.frequency.value, inS: at - this.context.currentTime, stopped: false };
        window.tones.push(this.tone);
        super.start(at);
      }
      stop(at) { if (at === undefined) this.tone.stopped = true; super.stop(at); }
    };
    window.AudioContext = class extends window.AudioContext { constructor() { super(); window.audio = this; } };
  JS

  let(:athlete) { make_athlete.tap { |one| make_pause(one, 40) } }
  let(:session) do
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 240,
      taken_at: WebHelpers::NOON - 40 * 86_400,
      details: {}
    )
    table = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("co2-table"), now: clock.now)
    plan(table)
  end

  before do
    give_clock
    page.driver.browser.page.command("Page.addScriptToEvaluateOnNewDocument", source: ears)
    put_on_deck("/sessions/#{session.uuid}/deck")
  end

  # Seconds from now of the tones that still stand, to a tenth.
  def ahead(pitch) =
    page.evaluate_script(
      "window.tones.filter((one) => !one.stopped && one.pitch === #{pitch}).map((one) => Math.round(one.inS * 10) / 10)"
    )

  def forget = page.execute_script("window.tones.length = 0")

  it "has the tone that ends a hold of two minutes, though it lay too far ahead when the hold began" do
    hold = session.to_timeline.holds.first
    expect(hold.ms).to eq 120_000
    start_deck
    pass(hold.start_ms / 1000.0 + 1)
    expect(page).to have_css(".cue", text: "Hold, full and soft")
    sleep 1.3
    forget
    pass(45)
    Timeout.timeout(30) { sleep 0.1 until ahead(880).any? }

    # Out of the hold in 74 s: two notes that fall, and three ticks before it.
    expect(ahead(660).first).to be_within(0.2).of(74)
    expect(ahead(880).first(3)).to match [be_within(0.2).of(71), be_within(0.2).of(72), be_within(0.2).of(73)]
  end

  it "leaves no tone standing after the end, whichever way it came, and keeps the screen awake only meanwhile" do
    page.execute_script(
      "window.asked = []; navigator.wakeLock.request = async (what) => { window.asked.push(what); return { release: " \
      "() => window.asked.push('let go') }; }"
    )
    start_deck
    pass(30)
    Timeout.timeout(30) { sleep 0.1 until page.evaluate_script("window.tones.length") > 0 }
    key(:escape)
    expect(page).to have_css(".cue", text: "Stopped")

    expect(page.evaluate_script("window.tones.filter((one) => !one.stopped && one.inS > 1).length")).to eq 0
    Timeout.timeout(30) { sleep 0.1 until page.evaluate_script("window.asked").size == 2 }
    expect(page.evaluate_script("window.asked")).to eq ["screen", "let go"]
  end

  it "wakes after a reload in the middle with any gesture, and ends no part by it" do
    start_deck
    pass(30)
    expect(page).to have_css(".figure", text: "1:26")
    page.refresh
    expect(page).to have_button(text: "Sound waits for a tap")
    cue = find(".cue").text
    find(".figure").click
    expect(page).to have_button(text: "Sound on")
    Timeout.timeout(30) { sleep 0.1 until page.evaluate_script("window.tones.length") > 0 }

    expect(find(".cue").text).to eq cue
    expect(page.evaluate_script("window.audio.state")).to eq "running"
  end

  it "plays the metronome of a sustained exhale by touch, and marks by key after the clock was started with a click" do
    visit("/athletes/#{athlete.id}/measures/sustained_exhale/new")
    click_button("Start (Space)")
    Timeout.timeout(30) { sleep 0.1 until page.evaluate_script("window.tones.length") > 100 }
    visit("/athletes/#{athlete.id}/measures/maximal_hold/new")
    click_button("Start (Space)")
    pass(40)
    key("u")

    expect(find_field("First urge (1:35 or 95 s)").value).to eq "40.0"
  end
end
