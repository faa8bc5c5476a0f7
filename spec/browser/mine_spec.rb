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

  # A page that goes before its deck has heard of the time that passed comes back paused, as it should.
  def pass_heard(seconds)
    pass(seconds)
    page.evaluate_async_script(
      "const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done(true)))"
    )
    sleep 0.3
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

  # Opens what lies on the phone, and runs one of its sets whole.
  def run_without_network(starting, effort: 3)
    visit("/mine")
    click_link(starting)
    expect(page).to have_css(".cue", text: "Ready", wait: 20)
    pass(1)
    start_deck
    pass_heard(60)
    reload_running
    pass(3600)
    expect(page).to have_text("not sent yet")
    click_button(effort.to_s)
  end

  def take_the_week
    visit("/mine")
    expect(page).to have_text("7 days lie on this phone", wait: 60)
    Outage.all = true
  end

  # The phone is back, so much later; what waited in it is with the server.
  def come_home(days)
    Outage.all = false
    clock.now += days * 86_400
    visit("/mine")
    expect(page).to have_css(".waiting", visible: :hidden, wait: 60)
    Timeout.timeout(60) { sleep 0.2 until yield }
  end

  it "has the days to come with it: asks once a day, knows when all sets are done; what was run comes home as it was" do
    take_the_week
    run_without_network("All well: start")
    run_without_network("Start", effort: 4)
    visit("/mine")
    expect(page).to have_css(".my-now", text: "Done for today.")
    expect(page).to have_no_link("Start")
    come_home(0) { sessions.reload.filter_map(&:effort).size == 2 }
    expect(sessions.map { |run| [run.state, run.effort, run.rounds.count, run.caution] }).to match [
      ["done", 3.0, 13, ""], ["done", 4.0, 13, String]
    ]
    expect(athlete.days.sole.answers).to eq []
  end

  it "goes by what was said to it without a network, and the server hears all of it on the day on which it was said" do
    first = clock.now.to_date
    take_the_week
    visit("/mine")
    find("summary", text: "Morning score").click
    click_button("Type a score instead")
    within("[data-path$=morning]") { click_button("Save") }
    expect(page).to have_css("[role=alert]", text: "Say the pause, what ended it, the first breath.")
    fill_in("seconds", with: "24,5")
    choose("a twitch of the diaphragm", allow_label_click: true)
    choose("as calm as the one before", allow_label_click: true)
    within("[data-path$=morning]") { click_button("Save") }
    expect(page).to have_text("That is kept")
    run_without_network("All well: start")
    visit("/mine")
    find("summary", text: "I felt bad").click
    choose("nausea", allow_label_click: true)
    click_button("Tell my coach")
    expect(page).to have_text("That is kept")

    pass(86_400)
    visit("/mine")
    find("summary", text: "Something is different today").click
    check("unwell", allow_label_click: true)
    click_button("That is so today")
    expect(page).to have_css(".my-now", text: "Today: unwell.")
    expect(page).to have_no_link(text: /start/i)
    pass(86_400)
    visit("/mine")
    expect(page).to have_css(".my-now", text: "You were unwell and said so here.")

    measure = athlete.measures.sole
    come_home(2) { [athlete.days.count, Windlass::Records::Complaint.count, measure.reload.value] == [2, 1, 24.5] }
    expect(measure.taken_at.to_date).to eq first
    expect(athlete.days.order(:local_date).map { |day| [day.local_date, day.answers] }).to eq [
      [first, []], [first + 1, ["unwell"]]
    ]
    expect([sessions.reload.sole.local_date, sessions.sole.symptoms]).to eq [first, ["nausea"]]
  end

  it "goes on after midnight with what was begun before it, though its page was thrown away; it stays of its day" do
    take_the_week
    started = page.evaluate_script("new Date(windlassClock.wall()).getHours()")
    pass((24 - started) * 3600 - 300)
    visit("/mine")
    click_link("All well: start")
    expect(page).to have_css(".cue", text: "Ready", wait: 20)
    pass(1)
    start_deck
    pass_heard(360)
    visit("/mine")
    expect(all(".my-now .big-button").map(&:text)).to eq ["Go on", "All well: start"]
    click_link("Go on")
    expect(page).to have_no_css(".cue", exact_text: "Ready")
    pass(3600)
    expect(page).to have_text("not sent yet")
    come_home(1) { sessions.reload.any? { |run| run.state == "done" } }
    expect([sessions.sole.local_date, sessions.sole.rounds.count]).to eq [clock.now.to_date - 1, 13]
  end

  it "says so where the phone has no room, and runs and keeps all the same what has a network" do
    visit("/sign-in")
    origin = page.evaluate_script("location.origin")
    room = ->(**bytes) { page.driver.browser.page.command("Storage.overrideQuotaForOrigin", origin: origin, **bytes) }
    room.call(quotaSize: 200_000)
    visit("/mine")
    expect(page).to have_text("The days to come could not be put on this phone: no network, or no room.", wait: 30)
    begin_now
    pass(3600)
    expect(page).to have_text("Saved")
    expect([sessions.sole.state, sessions.sole.rounds.count]).to eq ["done", 13]
    room.call
  end

  it "closes at once where what was felt stops all holds, also without a network" do
    take_the_week
    visit("/mine")
    find("summary", text: "I felt bad").click
    choose("chest pain", allow_label_click: true)
    click_button("Tell my coach")
    expect(page).to have_css(".notice-stop", text: "No holds now.")
    expect(page).to have_no_css(".my-now")
    come_home(0) { athlete.suspensions.exists? }
    visit("/mine")
    expect(page).to have_text("No holds now. Chest pain")
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
    expect(page).to have_no_css(".my-now")
  end

  it "leaves nothing of theirs on a phone that is unbound" do
    visit("/mine")
    expect(page).to have_text("7 days lie on this phone", wait: 60)
    Outage.all = true
    visit("/mine")
    find("summary", text: "Something is different today").click
    check("injured", allow_label_click: true)
    click_button("That is so today")
    expect(page).to have_text("That is kept")
    come_home(0) { athlete.days.exists? }
    visit("/mine")
    click_button("Unbind this phone")
    expect(page).to have_no_text("Ines Aldaya")
    left = page.evaluate_async_script(<<~JS)
      const kept = Object.keys(localStorage).filter((key) => /^(said|runs|mornings|person)/.test(key));
      caches.keys()
        .then((names) => Promise.all(names.map((name) => caches.open(name).then((cache) => cache.keys()))))
        .then((all) => all.flat().map(({ url }) => url).filter((url) => url.includes("/mine/")))
        .then((decks) => arguments[0]([decks, kept]));
    JS
    expect(left).to eq [[], []]
  end
end
