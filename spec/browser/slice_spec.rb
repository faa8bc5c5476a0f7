# frozen_string_literal: true

require "browser_helper"

# The whole slice as a coach does it, with time that passes when the spec says so.
RSpec.describe "From a control pause to the next day", :browser do
  let(:athlete) { make_athlete }
  let(:prescription) { athlete.prescriptions.first }
  let(:session) { Windlass::Records::Session.order(:id).last }

  def held = session.reload.rounds.map { |round| round.held_ms.to_i / 100 / 10.0 }

  def take_control_pause(seconds)
    visit("/athletes/#{athlete.id}/control-pauses/new")
    click_button("Settled")
    key(:space)
    pass(seconds)
    key(:space)
    find("label", text: "a twitch of the diaphragm").click
    find("label", text: "as calm as the one before").click
    find("label", text: "on waking").click
    click_button("Save")
  end

  # Runs the set on the deck to its end, marking each first breath as smooth.
  def run_whole_set
    start_deck
    pass(125)
    session.to_timeline.holds.each { |place| finish_hold(place) }
    pass(60)
    expect(page).to have_css(".cue", text: "Done")
    expect(page).to have_text("Saved")
  end

  def finish_hold(place)
    expect(page).to have_css(".cue", text: "Hold", exact_text: true)
    pass(place.segment.ms / 1000.0 + 0.4)
    expect(page).to have_css(".cue", text: "Breathe")
    key("1")
    expect(page).to have_css("[aria-pressed=true]", text: "Smooth")
    following = session.to_timeline.holds[place.number]
    pass((following.start_ms - place.end_ms) / 1000.0 - 0.4) if following
  end

  before { give_clock }

  it "measures, doses, runs, judges, moves, and shows it all the next day" do
    take_control_pause(12.4)
    expect(page).to have_text("12.4 s: low. Counts towards the morning trend.")

    click_link("Choose a protocol")
    click_button("Prescribe Small holds")
    expect(page).to have_text("13 holds of 5 s in 5 min, 2 sets a day")
    2.times { run_set(prescription, at: WebHelpers::NOON - 86_400) }
    run_set(prescription)
    click_button("All well: start")
    expect(page).to have_text("Saved")
    run_whole_set
    expect(held).to eq [5.0] * 13

    click_link("Rate it")
    expect(page).to have_css("#verdict", text: "Repeat")
    find("label", text: "4", exact_text: true).click
    expect(page).to have_css("#verdict", text: "Clean, 2 in a row on this rung.")
    click_button("Accept: advance")
    expect(page).to have_text("13 holds of 5 s in 5 min, 3 sets a day")

    clock.now = WebHelpers::NOON + 86_400
    visit("/")
    expect(page).to have_css("section[aria-labelledby=train]", text: "Set 1 of 3")
    click_link("Ines Aldaya", match: :first)
    find("#fold-pause summary").click
    expect(page).to have_css("svg.chart circle.dot")
    find("#fold-log summary").click
    expect(page.all("tbody tr").map(&:text)).to include(match(/26 smooth\s4\sadvance\z/))
  end

  describe "on the deck" do
    before do
      make_pause(athlete, 24)
      visit("/prescriptions/#{prescribe(athlete).id}")
      click_button("All well: start")
      expect(page).to have_text("Saved")
    end

    it "marks urges and breaths, releases early, pauses, and stops at any time" do
      start_deck
      pass(125)
      expect(page).to have_css(".cue", text: "Hold")
      pass(3.2)
      key("u")
      key(:space)
      expect(page).to have_css(".cue", text: "Breathe")
      key("3", "2", "p")
      expect(page).to have_css(".cue", text: "Paused")
      pass(500)
      key("p")
      expect(page).to have_css(".cue", text: "Breathe")
      key(:escape)
      expect(page).to have_css(".cue", text: "Stopped")
      expect(page).to have_text("Saved")

      round = session.reload.rounds.sole
      expect([session.state, round.held_ms, round.first_urge_ms, round.first_breath]).to eq [
        "stopped",
        3_200,
        3_200,
        "deeper"
      ]
    end

    it "loses nothing when the server is away, the page is loaded anew and the sign-in ends; counts nothing twice" do
      opened_by = -> { session.reload.journal_events.pluck(:marked_by).uniq }
      Outage.now = true
      start_deck
      pass(130.4)
      expect(page).to have_css(".cue", text: "Breathe")
      key("1")
      expect(page).to have_text("4 not sent yet")
      expect(session.reload.journal_events.count).to eq 0

      visit(current_path)
      expect(page).to have_css(".cue", text: "Breathe")
      Outage.now = false
      sign_out
      pass(1)
      key(:escape)
      expect(page).to have_text("Saved")
      expect(session.reload.journal_events.group(:kind).count).to eq(
        {"start" => 1, "hold_start" => 1, "hold_end" => 1, "first_breath" => 1, "stop" => 1}
      )
      expect([held, opened_by.call]).to eq [[5.0], [WebHelpers.keeper.uuid]]
    end

    it "comes back paused after a long absence, where it was seen last" do
      start_deck
      pass(60)
      expect(page).to have_css(".figure", text: "1:00")
      page.execute_script("sessionStorage.setItem('offset', 663000); location.reload()")

      expect(page).to have_css(".cue", text: "Paused")
      expect(page).to have_css(".figure", text: "1:00")
    end

    it "runs in one tab only" do
      path = current_path
      within_window(open_new_window) do
        visit(path)
        expect(page).to have_text("This session is on the deck in another tab")
      end
    end
  end

  it "is rated by exception on its sheet: what was said stays, what was left out has none, nothing is saved yet" do
    make_pause(athlete, 24)
    planned = plan(prescribe(athlete))
    holds = planned.to_timeline.holds
    marks =
      journal(planned, breaths: {2 => "gasp"}).reject do |mark|
        mark[:value] == "smooth" || (mark[:round] == 3 && mark[:kind].start_with?("hold"))
      end
    Windlass::Actions::KeepJournal.call(planned, marks, now: clock.now)
    chosen =
      lambda do |value|
        page.all("input[name$='[first_breath]'][value='#{value}']:checked", visible: :all, wait: 0).size
      end

    visit("/sessions/#{planned.uuid}")
    expect([chosen["smooth"], chosen["gasp"], chosen[""]]).to eq [0, 1, holds.size - 1]
    click_button("The rest smooth")
    expect([chosen["smooth"], chosen["gasp"], chosen[""]]).to eq [holds.size - 2, 1, 1]
    expect(planned.rounds.reload.map(&:first_breath).tally).to eq("gasp" => 1, nil => holds.size - 1)
  end
end
