# frozen_string_literal: true

require "browser_helper"

RSpec.describe "The emergency card", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:session) { plan(prescribe(athlete)) }

  # A finger on it, for so long.
  def press(seconds)
    script =
      "const key = document.querySelector('.key-emergency'); key.dispatchEvent(new PointerEvent(arguments[0], " \
      "{pointerType: 'touch', bubbles: true}))"
    page.execute_script(script, "pointerdown")
    sleep seconds
    page.execute_script(script, "pointerup")
  end

  before do
    give_clock
    Windlass::Records::Account.first.update!(emergency_number: "112")
    put_on_deck("/sessions/#{session.uuid}/deck")
  end

  it "is a key away: all stops, a clock runs, each moment is one tap, and a reload loses nothing of it" do
    start_deck
    pass(123)
    key("e")
    expect(page).to have_css("dialog[open] h1", text: "Emergency")
    pass(7.5)
    expect(page).to have_css(".emergency-clock", text: "0:07")
    2.times { click_button("Called") }
    pass(60)
    expect(page).to have_css("[data-note=called] .when", text: "0:07")

    visit(current_path)
    expect(page).to have_css(".emergency-clock", text: "1:07")
    click_button("Help arrived")
    click_button("Close the card")
    expect(page).to have_css(".cue", text: "Stopped")
    expect(page).to have_text("Saved")
    expect(session.reload.state).to eq "stopped"

    click_link("Rate it")
    expect(page.all(".notice-stop li").map(&:text)).to eq [
      "0:00 emergency card opened",
      "0:07 called",
      "1:07 help arrived"
    ]
  end

  it "opens under a finger only when it is pressed long, and before a session has begun" do
    press(0.2)
    expect(page).to have_no_css("dialog[open]")
    press(0.9)
    expect(page).to have_css("dialog[open]", text: "Call 112")
    click_button("Close the card")
    expect(page).to have_css(".cue", text: "Ready")
  end

  it "is opened by no letter where letters are switched off; space and the buttons stay" do
    key("?")
    click_button("Letters and figures are heard")
    click_button("Close")
    key("e")
    key(:space)
    key("p")
    expect(page).to have_no_css("dialog[open]")
    expect(page).to have_css(".cue", text: "It begins in")
    find(".key-emergency").click
    expect(page).to have_css("dialog[open] h1", text: "Emergency")
  end
end
