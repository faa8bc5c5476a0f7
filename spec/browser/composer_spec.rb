# frozen_string_literal: true

require "browser_helper"

RSpec.describe "Composing and measuring", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  def hold = find_field("Hold").value

  def words = find(".composed-words").text

  it "changes the line as one types and as arrow keys step, keeps the focus, and undoes" do
    visit("/protocols/co2-table")
    expect(words).to eq "6 holds of 1:00, rests from 2:00 down to 0:45"
    find_field("Hold").send_keys([:control, "a"], "75")
    expect(page).to have_css(".composed-words", text: "6 holds of 1:15")
    expect(page.evaluate_script("document.activeElement.id")).to eq "dose-hold_s"
    find_field("Hold").send_keys(:up, :up)
    expect(hold).to eq "1:25"
    expect(page).to have_css(".composed-words", text: "6 holds of 1:25")
    expect(page.evaluate_script("document.activeElement.id")).to eq "dose-hold_s"
    fill_in("Rounds", with: "0")
    expect(page).to have_text("0 is not allowed; allowed: 1 to 12 rounds")
    click_button("Undo")
    expect(page).to have_css(".composed-words", text: "6 holds of 1:25")
    3.times { find_field("Hold").send_keys([:control, "z"]) }
    expect(page).to have_css(".composed-words", text: "6 holds of 1:00")
  end

  it "composes, keeps, prescribes and runs a protocol of one's own whose rests are counted breaths" do
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 120,
      taken_at: WebHelpers::NOON - 40 * 86_400,
      details: {}
    )
    give_clock
    visit("/protocols/counted-recovery?athlete_id=#{athlete.id}")
    fill_in("Recovery breaths", with: "2")
    fill_in("Rounds", with: "2")
    fill_in("Save as your own protocol: name", with: "Two and two")
    click_button("Keep")
    visit("/protocols?athlete_id=#{athlete.id}")
    click_button("Prescribe Two and two")
    click_button("All well: start")
    expect(page).to have_text("Saved")
    key("t", :space)
    pass(127)
    expect(page).to have_css(".cue", text: "Hold, full and soft")
    pass(45.1)
    pass(3)
    expect(page).to have_css(".cue", text: "Recovery breaths")
    pass(60)
    expect(page).to have_css(".figure", text: "2", exact_text: true)
    key(:space)
    expect(page).to have_css(".figure", text: "1", exact_text: true)
    pass(4)
    key(:space)
    expect(page).to have_css(".cue", text: "One full breath in")
    key(:escape)
    expect(page).to have_text("Saved")
    expect(Windlass::Records::Session.sole.rounds.map(&:held_ms)).to eq [45_000]
  end

  it "composes a session of blocks: added, dragged, moved by keyboard, a time between, and folded numbers" do
    visit("/protocols/blocks")
    expect(page).to have_text("Add the first block")
    ["Hiss ladder", "Ratio breathing", "Quiet breathing"].each do |family|
      select(family, from: "Family of the next block")
      click_button("Add block")
      expect(page).to have_css(".block h2", text: family)
      expect(page).to have_css("#add:focus")
    end
    first(".block-grip").drag_to(find(".block:nth-child(3) .block-between"))
    expect(page).to have_css(".block:nth-child(3) h2", text: "3. Hiss ladder")
    expect(page).to have_css(".composed-words", text: "3 blocks")
    expect(page).to have_css(".block-list li:first-child", text: "Ratio breathing", visible: :all)
    page.execute_script("document.querySelector('button[value=\"up:1\"]').focus()")
    key(:space)
    expect(page).to have_css(".block:nth-child(2) h2", text: "2. Hiss ladder")
    expect(page).to have_css("button[value='up:1']:focus")

    within(".block:nth-child(1)") do
      expect(page).to have_no_field("Time before the next block, as 1:30 or 90 seconds")
      select("after a time", from: "Then")
      fill_in("Time before the next block, as 1:30 or 90 seconds", with: "1:30")
      find(".block-numbers > summary").click
      find("summary", text: "More").click
      select("the heartbeat", from: "Counted by")
    end
    expect(page).to have_css(".block-list li", text: "counted by the heartbeat, 1:30 between", visible: :all)
    expect(page).to have_css(".block:nth-child(1) .block-numbers > summary", text: "counted by the heartbeat")
  end

  it "guides a maximal hold with its marks, and reads it" do
    give_clock
    visit("/athletes/#{athlete.id}/measures/maximal_hold/new")
    key(:space)
    pass(41)
    key("u")
    pass(11.5)
    key("c")
    pass(20)
    key(:space)
    expect(find_field("Held (1:35 or 95 s)").value).to eq "1:12.5"
    find("label", text: "smooth").click
    find("label", text: "nothing to note").click
    fill_in("Who watched", with: "Ada Quill")
    click_button("Save")
    expect(page).to have_text("1:13: good for a healthy adult.")
    expect(page).to have_text("Struggle phase 28 % of the hold, after the first contraction at 52.5 s.")
  end

  it "counts the beats of a hiss from the end of a breath in of four, and the breaths of a minute" do
    give_clock
    visit("/athletes/#{athlete.id}/measures/sustained_exhale/new")
    fill_in("Tempo, beats a minute", with: "60")
    page.execute_script("document.activeElement.blur()")
    key(:space)
    pass(2.5)
    expect(page).to have_css(".watch", text: "2", exact_text: true)
    pass(1.5 + 14.2)
    expect(page).to have_css(".watch", text: "14", exact_text: true)
    key(:space)
    expect(find_field("Hissed, beats").value).to eq "14"

    visit("/athletes/#{athlete.id}/measures/resting_numbers/new")
    key(:space)
    9.times { key(:space) }
    pass(60.1)
    expect(page).to have_css(".watch", text: "9", exact_text: true)
    expect(find_field("Breaths, a minute").value).to eq "9"
  end

  it "goes through the desk by keyboard" do
    make_athlete(name: "Odd Falkenrath").then { |odd| make_pause(odd, 9) && prescribe(odd) }
    prescribe(athlete)
    visit("/")
    key("j", "j")
    expect(page.evaluate_script("document.activeElement.textContent")).to include "Odd Falkenrath"
    key("k", :enter)
    expect(page).to have_css("h1", text: "Small holds")
    expect(page).to have_link("Ines Aldaya")
  end
end
