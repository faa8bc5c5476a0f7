# frozen_string_literal: true

require "browser_helper"

# Two lanes on one deck: what each key is for, and that nothing of one touches the other.
RSpec.describe "Several on one deck", :browser do
  let(:athletes) do
    {"Ines Aldaya" => 24, "Pascale Oren" => 30}.map do |name, pause|
      make_athlete(name: name).tap { |one| make_pause(one, pause) }
    end
  end
  let(:squad) { Windlass::Actions::PlanSquad.call(account, athletes.map { |one| prescribe(one) }, now: clock.now) }
  let(:sessions) { squad.sessions.to_a }

  before { give_clock }

  # Moments of the common clock: a lane starts so much later.
  def hold(lane, number) =
    sessions[lane].to_timeline.holds[number].then do |place|
      [place.start_ms, place.end_ms].map { |ms| sessions[lane].starts_s + ms / 1000.0 }
    end

  def at(seconds)
    pass(seconds - @passed.to_f)
    @passed = seconds
  end

  def begin_together
    Windlass::Actions::ArrangeSquad.call(squad, starts: [0, 20])
    squad.sessions.reload
    put_on_deck("/squads/#{squad.uuid}/deck")
    key(:space)
    pass(3)
  end

  def lane(letter) = find(".lane", text: /\A#{letter}/)

  def journal_of(number) =
    sessions[number].journal_events.order(:at_ms, :kind).map { |event| [event.kind, event.round, event.value].compact }

  it "asks the oldest first breath first, gives a chosen lane all keys until its next mark, and stops one without " \
    "the other" do
    begin_together
    at(hold(0, 0).last + 0.5)
    expect(lane("A")).to have_text("first breath?")
    at(hold(1, 0).last + 0.5)
    expect(lane("D")).to have_text("first breath?")
    expect(page).to have_css(".key-legend", text: "First breath: Ines Aldaya")
    key("3")
    expect(page).to have_css(".key-legend", text: "First breath: Pascale Oren")
    key("1", "d")
    expect(page).to have_css(".squad-name", text: "Pascale Oren")
    at(hold(1, 1).first + 2)
    expect(lane("D")).to have_text("holding 0:02")
    key("u")
    key(:escape)
    expect(lane("D")).to have_text(/first breath\?|stopped/)
    expect(lane("A")).to have_no_text("stopped")
    expect(page).to have_text("Saved")

    expect(journal_of(0).last(2) - [["hold_start", 2]]).not_to include(["stop"])
    expect(journal_of(1)).to include(["first_breath", 1, "smooth"], ["first_urge", 2], ["stop"])
    expect(journal_of(0)).to include(["first_breath", 1, "gasp"])
    expect(sessions.map { |session| session.reload.state }).to eq %w[running stopped]
  end

  it "rates by exception once lanes are over: the chosen one's rest, then that of all, and nothing of who runs" do
    begin_together
    at(hold(1, 2).last + 1)
    expect(page).to have_no_button("The rest smooth")
    key("d", :escape)
    expect(lane("D")).to have_text("first breath?")
    key("d", "3")
    expect(page).to have_css(".key-legend", text: "Ines Aldaya")
    click_button("The rest smooth")
    expect(lane("D")).to have_text("stopped")
    expect(page).to have_no_button("The rest smooth")
    key("a", :escape)
    expect(page).to have_button("The rest smooth: Ines Aldaya")
    key("4")
    expect(page).to have_text("Saved")

    breaths = ->(number) { journal_of(number).select { |kind, *| kind == "first_breath" }.map(&:last).tally }
    expect([breaths[0].keys, breaths[1]]).to eq [["smooth"], {"gasp" => 1, "smooth" => 2}]
  end

  it "stops all in an emergency, and what is noted is of whom one says it is" do
    begin_together
    at(60)
    find(".key-emergency").click
    within("dialog") do
      click_button("Stopped breathing")
      expect(page).to have_button("Pascale Oren")
      click_button("Pascale Oren")
      click_button("Called")
      click_button("Close the card")
    end
    expect(page).to have_text("Saved")

    expect(sessions.map { |session| session.reload.state }).to eq %w[stopped stopped]
    expect(athletes.map { |one| one.reload.suspensions.count }).to eq [0, 1]
    expect(journal_of(1)).to include(%w[emergency_note stopped_breathing], %w[emergency_note called])
  end

  it "keeps what was paused and stopped across a reload, in the browser's own store" do
    begin_together
    at(70)
    key("d", "p")
    expect(lane("D")).to have_text("paused")
    key("a", :escape)
    expect(lane("A")).to have_text("stopped")
    expect(page).to have_text("Saved")
    expect(page).to have_no_text("no room in this browser")
    page.refresh
    expect(lane("D")).to have_text("paused")
    expect(lane("A")).to have_text("stopped")
    at(300)
    key("d", "p")
    expect(lane("D")).to have_no_text("paused")
  end

  it "comes back after a reload with every lane where it was" do
    begin_together
    at(hold(1, 0).first + 1)
    expect(lane("D")).to have_text("holding 0:01")
    page.refresh
    expect(lane("D")).to have_text("holding 0:01")
    expect(violations).to eq []
  end
end
