# frozen_string_literal: true

require "browser_helper"
require "pdf-reader"
require "tempfile"

RSpec.describe "For every hand and eye", :browser do
  let(:athlete) { make_athlete.tap { |one| screen(one) && make_pause(one, 24, at: clock.now - 26 * 3600) } }

  # By the keyboard alone: what a click would do besides is not done.
  def press(words)
    find("button", text: words, match: :first).execute_script("this.focus()")
    key(:enter)
  end

  def emulate(**features) =
    page.driver.browser.page.command(
      "Emulation.setEmulatedMedia",
      features: features.map { |name, value| {name: name.to_s.tr("_", "-"), value: value} }
    )

  def style(selector, property) =
    page.evaluate_script("getComputedStyle(document.querySelector(#{selector.to_json})).#{property}")

  it "hands the focus on through a control pause, so that Tab and Enter are enough" do
    give_clock
    visit("/athletes/#{athlete.id}/control-pauses/new")
    press("Settled")
    expect(page).to have_css("button:focus", text: "Start")
    key(:enter)
    pass(21.4)
    key(:enter)
    expect(page).to have_css("input[name=ended_by]:focus", visible: :all)
    expect(page).to have_no_button("Next")
    key(:space)
    expect(page).to have_button("Next")
    press("Next")
    expect(page).to have_css("input[name=first_breath]:focus", visible: :all)
    press("Back a step")
    expect(page).to have_css("input[name=ended_by]:focus", visible: :all)
    expect(athlete.measures.count).to eq 1

    press("Type a score instead")
    expect(page).to have_css("input[name=seconds]:focus", visible: :all)
    expect(find_field("seconds").value).to eq "21.4"
  end

  it "writes nothing that nobody meant when the clock of a hold is stopped by Enter" do
    give_clock
    prescribe(athlete)
    visit("/athletes/#{athlete.id}/measures/empty_hold/new")
    press("Start")
    pass(31.5)
    press("Stop")
    expect(find_field("Held (1:35 or 95 s)").value).to eq "31.5"
    expect(page).to have_css("input[name=seconds]:focus")
    expect([page.current_path, athlete.measures.where(kind: "empty_hold").count]).to eq [
      "/athletes/#{athlete.id}/measures/empty_hold/new",
      0
    ]
  end

  it "decides nothing by Enter in a field of the rating" do
    prescription = prescribe(athlete)
    2.times { run_set(prescription, at: clock.now - 86_400) }
    session = Windlass::Records::Session.last
    visit("/sessions/#{session.uuid}")
    fill_in("Place", with: "Mat room")
    find_field("Place").send_keys(:enter)

    expect(page).to have_field("Place", with: "Mat room")
    expect([session.reload.place, Windlass::Records::Move.count]).to eq ["Mat room", 0]
  end

  it "is dark where the device is, and the deck stays what it is" do
    visit("/athletes/#{athlete.id}")
    light = style("body", "backgroundColor")
    emulate(prefers_color_scheme: "dark")
    expect([style("body", "backgroundColor"), style("body", "color")]).to eq ["rgb(17, 24, 29)", "rgb(236, 230, 216)"]
    expect(light).to eq "rgb(244, 241, 234)"
  end

  it "tells what is chosen, and where one stands, in forced colours" do
    prescribe(athlete)
    visit("/athletes/#{athlete.id}/control-pauses/new")
    find("button", text: "Type a score instead").click
    find("label", text: "a twitch of the diaphragm").click
    emulate(forced_colors: "active")
    chosen, other =
      %w[label:has(:checked) label:not(:has(:checked))].map { |label| style(".choices #{label}", "backgroundColor") }
    expect(chosen).not_to eq other
    expect(
      page.evaluate_script(
        "getComputedStyle(document.querySelector('.choices label:has(:checked) span'), '::before').content"
      )
    ).to eq '"✓ "'
    visit("/athletes/#{athlete.id}")
    expect(style(".ladder .current span", "backgroundColor")).not_to eq style(
      ".ladder li:not(.current) span",
      "backgroundColor"
    )
  end

  it "prints a sheet whole, without menus, and folds it again afterwards" do
    run_set(prescribe(athlete), at: clock.now - 86_400)
    visit("/athletes/#{athlete.id}")
    expect(page).to have_css("#fold-log:not([open])")
    paper = page.driver.browser.page
    words =
      Tempfile.create(%w[sheet .pdf]) do |file|
        paper.pdf(path: file.path, format: :A4)
        PDF::Reader.new(file.path).pages.map(&:text).join(" ")
      end

    words = words.delete(" \n")
    expect(words).to include("Firsturge", "13smooth", "Whatisprescribed")
    expect(words).not_to match(/Bench|Checkinandstart|Keys/)
    expect(page).to have_css("#fold-log:not([open])")
  end

  it "reads out what a change led to in one line, and moves nothing" do
    prescription = prescribe(athlete)
    2.times { run_set(prescription, at: clock.now - 86_400) }
    visit("/sessions/#{Windlass::Records::Session.last.uuid}")
    find("label", text: /\A9\z/).click
    expect(page).to have_css("#said", text: "Ease. Effort 9 of 10.", visible: :all)
    expect(find("#said", visible: :all)[:role]).to eq "status"
  end

  it "tells a morning score's sender nothing of the house" do
    visit(morning_links.path(athlete))
    find("button", text: "Type a score instead").click
    fill_in("Pause (seconds, or 1:05)", with: "23")
    ["a twitch of the diaphragm", "as calm as the one before"].each { |answer| find("label", text: answer).click }
    click_button("Save")
    expect(page).to have_text("23 s: building")
    expect(page).to have_no_css("nav")
    expect(all("main a").map(&:text)).to eq ["Change it"]
  end
end
