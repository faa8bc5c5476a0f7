# frozen_string_literal: true

require "browser_helper"

# What a hurried coach with wet hands does.
RSpec.describe "Odd input", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:prescription) { prescribe(athlete) }
  let(:session) { Windlass::Records::Session.order(:id).last }

  it "makes one session of a double click, of the back button and of two tabs" do
    visit("/prescriptions/#{prescription.id}")
    find_button("All well: start").double_click
    expect(page).to have_text("Saved")
    page.go_back
    click_button("All well: start")
    expect(page).to have_text("Saved")
    within_window(open_new_window) do
      visit("/")
      click_button("Start with Ines Aldaya")
      expect(page).to have_text("This session is on the deck in another tab")
    end

    expect(Windlass::Records::Session.count).to eq 1
  end

  it "hands a running session to nobody else, and ends it on its sheet where its browser is gone" do
    planned = plan(prescription)
    begun = journal(planned, holds: planned.to_timeline.holds.first(2))[0..-2]
    Windlass::Actions::KeepJournal.call(planned, begun, now: clock.now)
    visit("/")
    expect(page).to have_css("section[aria-labelledby=train]", text: "Set 1 of 2 · on the deck")
    click_button("To the deck with Ines Aldaya")
    expect(page).to have_text("This session was begun in another browser")

    click_link("Rate it")
    click_button("End it here")
    expect(page).to have_css("#verdict", text: "2 of 26 holds done")
    expect([planned.reload.state, planned.rounds.count]).to eq ["stopped", 2]
  end

  it "decides once, whatever is pressed after going back" do
    2.times { run_set(prescription) }
    visit("/sessions/#{session.uuid}")
    click_button("Accept: repeat")
    expect(page).to have_css("h1", text: "Ines Aldaya")
    page.go_back
    expect(page).to have_css("#verdict")
    click_button("Accept: repeat") if page.has_button?("Accept: repeat", wait: 1)
    visit("/sessions/#{session.uuid}")

    expect(page).to have_text("Decided by Maren: repeat")
    expect(Windlass::Records::Move.count).to eq 1
  end

  it "keeps all that was typed beside what is wrong" do
    run_set(prescription)
    visit("/sessions/#{session.uuid}")
    fill_in("note", with: "'; DROP TABLE sessions; -- <b>späte</b> Runde")
    fill_in("Held in round 2, as 1:35 or in seconds", with: "-3")
    find("label", text: "7", exact_text: true).click
    click_button("Save without deciding")

    expect(page).to have_css(".fault", text: "Hold 2: -3 is not allowed; allowed: 0 to 1200 seconds held")
    expect(page).to have_field("note", with: "'; DROP TABLE sessions; -- <b>späte</b> Runde")
    expect(page).to have_field("Held in round 2, as 1:35 or in seconds", with: "-3")
    expect(page.find("input[name=effort]:checked", visible: :all).value).to eq "7"
    fill_in("Held in round 2, as 1:35 or in seconds", with: "4,8")
    click_button("Save without deciding")
    expect(page).to have_no_css(".fault")
    expect(session.reload).to have_attributes(effort: 7.0, note: "'; DROP TABLE sessions; -- <b>späte</b> Runde")
    expect(session.rounds.find_by(number: 2).held_ms).to eq 4_800
  end

  it "asks for the first breaths that nobody rated, and leaves unknown what nobody knows" do
    2.times { run_set(prescription) }
    session.rounds.where(number: 12..13).update_all(first_breath: nil)
    visit("/sessions/#{session.uuid}")
    expect(page).to have_css("#verdict", text: "2 first breaths not noted (rounds 12 and 13 of set 2)")
    expect(page).to have_text("How was the first breath after holds 12 and 13?")
    within("[aria-label='First breath after hold 12']") { find("label", text: "deeper").click }
    expect(page).to have_css("#verdict", text: "1 first breath not noted (round 13 of set 2)")
    click_button("Save without deciding")

    expect(page).to have_css("h1")
    expect(session.rounds.reload.last(2).map(&:first_breath)).to eq ["deeper", nil]
  end

  it "takes two presses within 300 ms for one on the deck, and leaves Space to the button that has the focus" do
    give_clock
    visit("/prescriptions/#{prescription.id}")
    click_button("All well: start")
    expect(page).to have_text("Saved")
    page.execute_script("document.querySelector('.sound button:has(.icon)').focus()")
    key(:space)
    expect(page).to have_css(".cue", text: "Ready")
    page.execute_script("document.activeElement.blur()")
    2.times { key(:space) }
    expect(page).to have_css(".cue", text: "It begins in")
    pass(3)
    expect(page).to have_css(".cue", text: "Easy breathing")
    pass(1)
    key(:space)
    expect(page).to have_css(".cue", text: "A normal breath in")
  end

  it "takes a tremor for one press, and a press too short for no pause" do
    give_clock
    visit("/athletes/#{athlete.id}/control-pauses/new")
    click_button("Settled")
    key(:space)
    pass(0.2)
    key(:space)
    expect(page).to have_button("Stop (Space)")
    pass(17.1)
    key(:space)
    expect(page).to have_css(".watch", text: "17.3")
    click_button("Back a step")
    expect(page).to have_css(".watch", text: "0.0")
    expect(page).to have_button("Start (Space)")
  end

  it "shows the keys of the deck at ?, and takes none of them for itself meanwhile" do
    visit("/prescriptions/#{prescription.id}")
    click_button("All well: start")
    expect(page).to have_text("Saved")
    key("?")
    expect(page).to have_css("dialog[open]", text: "stop: loses nothing")
    key("?")
    expect(page).to have_no_css("dialog[open]")
    expect(page).to have_css(".cue", text: "Ready")
  end

  it "can be run by the keyboard alone, from Today to the sheet" do
    prescription
    visit("/")
    key("j", :enter)
    expect(page).to have_button("All well: start")
    page.execute_script("document.querySelector('.ask .btn-primary').focus()")
    key(:enter)
    expect(page).to have_text("Saved")
    key(:space, :escape)
    expect(page).to have_css(".cue", text: "Stopped")
    page.execute_script("document.querySelector('a.key-main').focus()")
    key(:enter)

    expect(page).to have_css("#verdict", text: "Nothing was held, so this is not counted as a session.")
  end
end
