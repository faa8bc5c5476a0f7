# frozen_string_literal: true

require "browser_helper"

# A phone in somebody's own hand: at home, and without a network.
RSpec.describe "A phone of one's own", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let!(:prescription) { prescribe(athlete) }
  let(:sessions) { prescription.sessions.order(:started_at) }

  before do
    give_clock
    page.current_window.resize_to(390, 844)
    hold_phone_of(athlete)
  end

  after do
    Outage.all = false
    page.current_window.resize_to(1280, 800)
  end

  # Both taps of it: the page's, then the deck's.
  def begin_now
    click_button("All well: start")
    expect(page).to have_css(".cue", text: "Ready")
    find(".key-main", text: "Start").click
    pass(3)
  end

  # It goes on where it was, and its clock is heard again.
  def reload_running
    visit(current_path)
    expect(page).to have_css(".cue", text: "Easy breathing")
    seen = find(".figure").text
    pass(5)
    expect(page).to have_no_css(".figure", exact_text: seen)
  end

  it "leads from the page to the first breath in two taps, asks two things, and says what comes of it" do
    visit("/mine")
    expect(violations).to eq []
    begin_now
    expect(page).to have_css(".cue", text: "Easy breathing")
    pass(3600)
    expect(page).to have_text("Saved")
    find("a.key-main", text: "Rate it").click
    find("label", text: /\A3\z/).click
    click_button("Done")
    expect(page).to have_text("Set 1 of 2 done.")
    expect([sessions.sole.effort, sessions.sole.alone?]).to eq [3.0, true]
    expect(violations).to eq []
    click_link("Back to my page")
    click_link("I felt bad")
    expect(violations).to eq []
  end

  it "has the days to come with it: two sets run without a network are two, and come home as they were" do
    visit("/mine")
    expect(page).to have_text("7 days lie on this phone", wait: 60)
    Outage.all = true
    2.times do |number|
      visit("/mine")
      expect(page).to have_css("h1", text: "Without a network")
      expect(page).to have_css("li.plain", count: 1)
      click_link("To the deck")
      ask_and_start
      pass(60)
      reload_running
      pass(3600)
      expect(page).to have_text("not sent yet")
      click_button((number + 3).to_s)
    end
    Outage.all = false
    visit("/mine")
    Timeout.timeout(60) { sleep 0.2 until sessions.reload.filter_map(&:effort).size == 2 }
    expect(sessions.map { |run| [run.state, run.effort, run.rounds.count, run.caution] }).to match [
      ["done", 3.0, 13, ""], ["done", 4.0, 13, String]
    ]
    expect(athlete.days.sole.answers).to eq []
  end

  it "shows what lies on a shared phone to whoever held it last, and to nobody else" do
    visit("/mine")
    expect(page).to have_text("7 days lie on this phone", wait: 60)
    other = make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one) }
    hold_phone_of(other)
    visit("/mine")
    expect(page).to have_text("Odd Falkenrath")
    Outage.all = true
    visit("/mine")
    expect(page).to have_css("h1", text: "Without a network")
    expect(page).to have_text("Nothing lies on this device for today")
    expect(page).to have_no_css("li.plain")
  end
end
