# frozen_string_literal: true

require "web_helper"

# What a coach does beside the usual way: keeps an answer, falls back on quiet breathing, finds what is not offered any
# more.
RSpec.describe "Coaching", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  def maximal_hold(seconds, at: clock.now - 86_400)
    athlete.measures.create!(
      account_id: account.id,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: seconds,
      taken_at: at,
      details: {
        first_breath: "smooth",
        eventful: "no"
      }
    )
  end

  def give(id, **more) =
    Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now, **more)

  def own(dose, id = "co2-table") = account.own_protocols.create!(name: "Short Tuesday", protocol: id, dose: dose)

  small_table = {hold_s: 30, first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 4}.freeze

  it "keeps what an athlete says today without running anything, and takes it back when it is said anew" do
    prescription = give("small-holds")
    say = ->(**said) { submit("/prescriptions/#{prescription.id}", "/athletes/#{athlete.id}/day", **said) }
    say.call(answers: ["injured"], watcher: " Ada Quill ")
    get("/athletes/#{athlete.id}")

    expect(text).to include "Today: injured."
    expect([athlete.days.sole.watcher, athlete.sessions.count]).to eq ["Ada Quill", 0]
    say.call
    expect([athlete.days.sole.answers, athlete.days.count]).to eq [[], 1]
    say.call(answers: ["bored"])
    expect([last_response.status, athlete.days.sole.answers]).to eq [422, []]
  end

  it "offers quiet breathing where a day is none for holds, and gives it once however often it is asked for" do
    prescription = give("small-holds")
    screen(athlete, :pressure_high, on: clock.now.to_date)
    get("/prescriptions/#{prescription.id}")
    instead = page.css("form.instead").sole

    2.times do
      submit("/prescriptions/#{prescription.id}", instead["action"], protocol: instead.at("[name=protocol]")["value"])
    end
    expect(athlete.prescriptions.open.pluck(:protocol)).to match_array %w[small-holds quiet-breathing]
    follow_redirect!
    expect(page.css("form.ask button.btn-primary").text).to include "start"
  end

  it "begins anew after a stop that was cleared: first a new measure, then the lowest rung, and the way there is " \
    "shown" do
    prescription = give("small-holds")
    prescription.update!(dose: prescription.to_standing(on: clock.now.to_date).ladder.rungs[3])
    session = run_set(prescription)
    Windlass::Actions::RateSession.call(
      session,
      {effort: 2, symptoms: ["blackout"], note: "", rounds: {}},
      now: clock.now
    )
    submit(
      "/athletes/#{athlete.id}",
      "/suspensions/#{athlete.suspensions.sole.id}/clearance",
      clinician: "Dr Holt",
      cleared_on: clock.now.to_date.to_s
    )
    get("/prescriptions/#{prescription.id}")
    expect(text).to include "Quiet breathing for now, until a new measure has been taken."
    expect(text).not_to match(/rung \d|holds of/i)
    expect(page.at("main a.btn-primary")["href"]).to eq "/athletes/#{athlete.id}/control-pauses/new"

    make_pause(athlete, 26, at: clock.now + 3600)
    clock.now += 7200
    get("/")
    expect(
      page.css("section[aria-labelledby=missing] li").map { |row| row.text.split.join(" ") }
    ).to include "Ines Aldaya Small holds: a new measure has been taken Begin anew"
    submit("/prescriptions/#{prescription.id}", "/athletes/#{athlete.id}/prescriptions", protocol: "small-holds")
    expect(prescription.reload).to have_attributes(
      state: "active",
      dose: {
        "hold_s" => 5,
        "minutes" => 5,
        "sets" => 2
      }
    )
  end

  it "begins one of the coach's own anew from its own dose" do
    maximal_hold(120, at: clock.now - 20 * 86_400)
    mine = give("co2-table", own: own(small_table))
    mine.fall_quiet(clock.now)
    maximal_hold(118, at: clock.now + 60)

    expect(give("co2-table").id).to eq mine.id
    expect(Windlass::Records::Record.dose(mine.reload.dose)).to eq small_table
  end

  it "keeps the dose that an athlete had under a coach's limit, where a new measure would start above it" do
    maximal_hold(100, at: clock.now - 40 * 86_400)
    table = give("co2-table")
    table.update!(limits: {hold_s: 50})
    maximal_hold(140)
    standing = table.reload.to_standing(on: clock.now.to_date)

    expect([standing.rung, standing.dose[:hold_s], standing.ladder.rungs.map { |dose| dose[:hold_s] }.uniq]).to eq [
      0,
      50,
      [50]
    ]
  end

  it "says on the desk what was prescribed and is not offered any more, and why" do
    maximal_hold(60, at: clock.now - 40 * 86_400)
    table = give("co2-table")
    maximal_hold(36)
    get("/")
    row = page.css("section[aria-labelledby=missing] li").map { |one| one.text.split.join(" ") }

    expect(row).to eq [
      "Ines Aldaya Carbon-dioxide table: Carbon-dioxide table needs a maximal hold of 40 s or more; it is 36 s. Open"
    ]
    get("/prescriptions/#{table.id}")
    expect([last_response.status, text]).to match [200, /it is 36 s/]
    expect { Windlass::Actions::PlanSession.call(table, now: clock.now) }.to raise_error Windlass::Error,
      /it is 36 s|not offered/
  end

  it "climbs from a protocol of one's own, and comes back to it after a long time off, not to a harder start" do
    maximal_hold(120, at: clock.now - 60 * 86_400)
    mine = give("co2-table", own: own(small_table))
    run_set(mine, at: clock.now - 45 * 86_400)
    session = Windlass::Actions::PlanSession.call(mine.reload, now: clock.now)

    expect(session.to_dose).to eq small_table
    expect(mine.to_standing(on: clock.now.to_date).ladder.rungs[1]).to eq small_table.merge(first_rest_s: 110)
  end

  it "lightens single rounds too on a light day" do
    maximal_hold(120, at: clock.now - 20 * 86_400)
    mine = give("co2-table", own: own(small_table.merge(breaks: [{round: 2, hold_s: 40}, {round: 3, rest_s: 60}])))
    (1..5).each { |back| make_pause(athlete, 24, at: WebHelpers::NOON - back * 86_400 - 3600) }
    athlete.measures.where(kind: "control_pause", taken_at: (WebHelpers::NOON - 86_400)..).destroy_all
    make_pause(athlete, 15)

    expect(Windlass::Actions::PlanSession.call(mine, now: clock.now).to_dose).to eq small_table.merge(
      hold_s: 20,
      rounds: 3,
      breaks: [{round: 2, hold_s: 30}, {round: 3, rest_s: 60}]
    )
  end

  it "says on the sheet whether it goes well: the fortnight's median, the trend, steps, gasps" do
    # Of today 24 s came first; the median lies between 29 s of a week ago and 28.86 s of the day before.
    (0..20).each { |back| make_pause(athlete, 30 - back / 7.0, at: WebHelpers::NOON - back * 86_400 - 4 * 3600) }
    prescription = give("small-holds")
    2.times { run_set(prescription, at: clock.now - 86_400, breaths: {4 => "gasp"}) }
    session = 2.times.map { run_set(prescription) }.last
    Windlass::Actions::Decide.call(
      session,
      Windlass::Queries::JudgeDay.call(session),
      decided: :repeat,
      because: "First week",
      now: clock.now
    )
    get("/athletes/#{athlete.id}")

    expect(page.at("[aria-label='How it goes']").text.split.join(" ")).to start_with(
      "How it goes Up and down 2 training days in four weeks, no step; gasps on 1 of 2 training days. " \
      "Control pause: median of the last fortnight 28.9 s. Over six weeks +1.0 s a week "
    )
  end

  it "calls the stages of a build-up by their names" do
    get("/protocols/alternate-nostril?dose[stage]=5&dose[cycles]=2&dose[rounds]=1&dose[count_s]=1")

    expect(page.at("#dose-stage option[selected]").text).to eq "5: holding full with the root lock"
    expect(page.css("#dose-stage option").size).to eq 9
    expect(text).to include "1 round of 2 cycles, holding full with the root lock, 1 s a count"
  end

  it "hints at a heartbeat for a count, the athlete's own where it is known" do
    get("/protocols/ratio")
    expect(text).to include "0.4 to 2 s a count, in steps of 0.1, or beats: 72/min"
    athlete.update!(resting_pulse: 54)
    get("/protocols/ratio?athlete_id=#{athlete.id}")
    expect(text).to include "or the heartbeat: 54/min at rest"
  end

  it "lists the roster with who is stopped, who rests, who has nothing, and where the others stand" do
    give("small-holds")
    stopped, resting, bare = %w[Bo Cleo Dara].map { |name| make_athlete(name: name).tap { |one| make_pause(one, 24) } }
    sessions = [stopped, resting].map { |one| run_set(prescribe(one)) }
    Windlass::Actions::RateSession.call(
      sessions.first,
      {effort: 2, symptoms: ["blackout"], note: "", rounds: {}},
      now: clock.now
    )
    resting.suspensions.create!(
      account_id: account.id,
      session: sessions.last,
      kind: "rest",
      reason: "Rest until 6 March 2026",
      opened_at: clock.now,
      until_on: clock.now.to_date + 4
    )
    get("/athletes")
    rows = page.css("table.figures tbody tr").to_h { |row| [row.at("a").text, row.css("td")[3].text.strip] }

    expect(rows).to eq(
      {
        "Ines Aldaya" => "Small holds, rung 1 of 10",
        "Bo" => "Stopped, awaiting clearance",
        "Cleo" => "Rest until 6 March 2026",
        bare.name => "No prescription"
      }
    )
  end
end
