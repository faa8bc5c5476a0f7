# frozen_string_literal: true

require "browser_helper"

# The surface clock in the sun: one key under, one key up.
RSpec.describe "The surface clock", :browser do
  let(:divers) { ["Ines Aldaya", "Pascale Oren"].map { |name| make_athlete(name: name) } }

  before do
    give_clock
    visit("/water/clock?pairs=#{divers.map(&:id).join("-")}")
    expect(page).to have_text("Saved")
  end

  # What waits is whose page it was put away on: somebody else who holds the same device sends nothing of it.
  # @return [Integer] dives that came of it
  def sent_by_somebody_else
    hold_phone_of(divers.last)
    visit("/mine")
    Outage.now = false
    outbox = Windlass::Assets.path("js/outbox.js")
    found_by("import('#{outbox}').then((module) => module.sendPieces()).then(arguments[0])")
    sign_in_as_keeper
    Windlass::Records::Dive.count
  end

  def diver(name) = find(".diver[aria-label='#{name}']")

  it "is where a breathe-up leads, without a menu, for who dives there; what ran ends, and is kept" do
    make_pause(divers.first)
    visit("/prescriptions/#{prescribe(divers.first).id}")
    click_button("All well: start")
    expect(page).to have_css(".top p", exact_text: "Saved")
    start_deck
    pass(20)
    click_button("Into the water")
    expect(page).to have_css("h1", text: "Surface clock", visible: :all)
    expect(page.current_url).to end_with "/water/clock?pairs=#{divers.map(&:id).join("-")}"
    expect(Windlass::Records::Session.last.reload.state).to eq "stopped"

    somebody = make_athlete(name: "Who stays dry").tap { |one| make_pause(one) }
    visit("/prescriptions/#{prescribe(somebody).id}")
    click_button("All well: start")
    expect(page).to have_css(".top p", exact_text: "Saved")
    expect(page).to have_no_button("Into the water")
  end

  it "counts the dive and the rest, warns where both are under, asks for signs, and loses nothing without a server" do
    key("1")
    pass(70)
    expect(diver("Ines Aldaya")).to have_text("under")
    key("2")
    expect(page).to have_text("are both under: one up, one down.")
    Outage.now = true
    key("1")
    expect(diver("Ines Aldaya")).to have_text(/stays up\s+2:20/)
    pass(31)
    expect(diver("Ines Aldaya")).to have_text("signs?")
    within(diver("Ines Aldaya")) { click_button("Well") }
    within(diver("Ines Aldaya")) { fill_in("Depth, m", with: "25") }
    key(:tab)
    expect(diver("Ines Aldaya")).to have_text("4:29")
    page.refresh
    expect(diver("Ines Aldaya")).to have_text("4:29")
    expect(diver("Pascale Oren")).to have_text("under")
    expect(sent_by_somebody_else).to eq 0
    visit("/water/clock?pairs=#{divers.map(&:id).join("-")}")
    expect(page).to have_text("Saved", wait: 40)

    expect(Windlass::Records::Dive.sole.attributes).to include(
      "athlete_id" => divers.first.id,
      "seconds" => 70.0,
      "depth_m" => 25.0,
      "signs" => "well",
      "buddy" => "Pascale Oren"
    )
    expect(violations).to eq []
  end

  it "ends a diver's day at a blackout, and opens the card" do
    key("1")
    pass(40)
    key("1")
    within(diver("Ines Aldaya")) { click_button("Blackout") }
    expect(page).to have_css("dialog[open] h1", text: "Emergency")
    click_button("Close the card")
    expect(diver("Ines Aldaya")).to have_text("no dive any more today")
    Timeout.timeout(30) { sleep 0.1 until divers.first.suspensions.reload.any? }
  end

  it "runs, and sends what it kept, where the browser's storage never answers" do
    page.driver.browser.page.command(
      "Page.addScriptToEvaluateOnNewDocument",
      source: "IDBFactory.prototype.open = () => ({});"
    )
    visit("/water/clock?pairs=#{divers.map(&:id).join("-")}")
    expect(page).to have_text("Saved", wait: 15)
    Outage.now = true
    key("1")
    pass(50)
    key("1")
    expect(page).to have_text(
      "1 not sent yet · no room in this browser: keep this page open until all is kept",
      wait: 15
    )
    Outage.now = false
    expect(page).to have_text("Saved", wait: 15)
    expect(page).to have_no_text("no room")

    expect(Windlass::Records::Dive.sole.attributes).to include("athlete_id" => divers.first.id, "seconds" => 50.0)
  end

  it "reckons as the core does" do
    dives = [[65, 12, false], [20, nil, false], [60, 20, false], [60, 19.9, true], [90, 30, true]]
    rules = JSON.generate(Windlass::Water::Surface.to_h)
    found =
      found_by(
        "import('#{Windlass::Assets.path("js/surface.js")}').then((module) => " \
        "arguments[0](#{JSON.generate(dives)}.map(([seconds, depth_m, hard]) => module.neededS({ seconds, depth_m, " \
        "hard }, #{rules}))))"
      )

    expect(found).to eq(
      dives.map do |seconds, depth_m, hard|
        Windlass::Water::Surface.needed_s(
          Windlass::Water::Dive.new(down: Time.now, seconds: seconds, depth_m: depth_m, hard: hard)
        )
      end
    )
  end
end
