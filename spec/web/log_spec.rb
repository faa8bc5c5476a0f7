# frozen_string_literal: true

require "web_helper"
require "csv"

# Everything that was done; and what was done elsewhere, written in.
RSpec.describe "The log", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }

  def write_in(lines) =
    submit("/prescriptions/#{prescription.id}/write-in", "/prescriptions/#{prescription.id}/write-in", lines: lines)

  it "makes sessions of lines, judges them like all others, and keeps the same line once" do
    lines = "5x12 g 5 ok e4 yesterday @7:30 # at the pool\n\n5x13 ok e2 lightheaded"
    2.times { write_in(lines) }
    first, second = prescription.sessions.order(:local_date).to_a

    expect(Windlass::Records::Session.count).to eq 2
    expect([first.local_date, first.started_at, first.effort, first.note, first.state]).to eq [
      Date.new(2026, 3, 1),
      Time.new(2026, 3, 1, 7, 30),
      4.0,
      "at the pool",
      "done"
    ]
    expect(first.rounds.map(&:first_breath).tally).to eq("smooth" => 12, "gasp" => 1)
    expect([first.proposed_verdict, second.proposed_verdict]).to eq %w[repeat ease]
    get("/sessions/#{first.uuid}")
    expect(text).to include("1 gasp: round 12")
    get("/log")
    expect(page.css("table.figures tbody tr").map { |row| row.text.squeeze(" \n") }).to match [
      /written in.*13 smooth.*light-headed/m,
      /12 smooth, 1 gasp/
    ]
  end

  it "keeps nothing where a line can't be read: line and column are named, and what was typed stays" do
    write_in("5x13 ok\n5 gsap\n5x14 mon")
    expect(last_response.status).to eq 422
    expect(text).to include('Line 2, column 3: "gsap" is not known; perhaps "gasp"', "1 hold more than planned")
    expect([page.at("textarea").text.strip, Windlass::Records::Session.count]).to eq ["5x13 ok\n5 gsap\n5x14 mon", 0]
  end

  it "keeps what happened whatever was planned, and whatever readiness would have said: it counts in walls and " \
    "load, and toward no step" do
    athlete.suspensions.create!(
      account_id: 1,
      kind: "stop",
      reason: "Chest pain.",
      session: run_set(prescription, at: clock.now - 5 * 86_400),
      opened_at: clock.now - 5 * 86_400
    )
    write_in("5x13 ok e4 yesterday @7:30\n5x15 ok e4 yesterday @15:00")
    session = prescription.sessions.order(:started_at).last

    expect([session.rounds.count, session.caution, session.to_core.refused]).to eq [15, "Chest pain.", true]
    expect(session.proposed_reason).to eq "Clean. Readiness would have refused it: it counts toward no step."
    get("/sessions/#{session.uuid}")
    expect(text).to include "Readiness would have refused it: Chest pain."
  end

  it "is a form, too: all as planned, filled in on its sheet, corrected with what stood there, and discarded where " \
    "it was written wrong" do
    submit(
      "/prescriptions/#{prescription.id}/write-in",
      "/prescriptions/#{prescription.id}/write-in",
      as_planned: "yes",
      on: "2026-02-27"
    )
    session = Windlass::Records::Session.sole
    expect(
      [session.local_date.day, session.rounds.count, session.rounds.first.held_ms, session.rounds.first.first_breath]
    ).to eq [27, 13, 5000, nil]
    [%w[4 smooth 96], %w[3.5 gasp 94]].each do |held, breath, low|
      submit(
        "/sessions/#{session.uuid}",
        "/sessions/#{session.uuid}/rating",
        effort: "4",
        "rounds[1][held_s]": held,
        "rounds[1][first_breath]": breath,
        "rounds[1][low]": low
      )
    end
    get("/sessions/#{session.uuid}")

    expect(session.rounds.first.reload.sao2_low).to eq 0.94
    expect(text).to include(
      "Corrected twice",
      "by Maren; before: hold 1 held 4 s, hold 1 first breath smooth, hold 1 lowest saturation 96 %"
    )
    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/discard")
    expect(session.reload.discarded_at).to eq clock.now
  end

  it "says the verdict that was decided, on every set of its day, and finds by it; taken back, it says what is " \
    "proposed" do
    sets = Array.new(2) { run_set(prescription) }
    Windlass::Actions::Decide.call(
      sets.last,
      Windlass::Queries::JudgeDay.call(sets.last),
      decided: :ease,
      because: "tired",
      now: clock.now
    )
    verdicts = ->(query = "") { (get("/log#{query}") && page).css("td[data-label=Verdict]").map(&:text) }

    expect([verdicts.call, verdicts.call("?verdict=ease"), verdicts.call("?verdict=repeat")]).to eq [
      %w[Ease Ease],
      %w[Ease Ease],
      []
    ]
    expect(CSV.parse(get("/log/sessions.csv?verdict=ease").body, headers: true).map { |row| row["verdict"] }).to eq %w[
      ease
      ease
    ]
    Windlass::Actions::TakeBack.call(Windlass::Records::Move.sole, now: clock.now)
    expect(verdicts.call("?verdict=ease")).to eq []

    # What few days have is looked up in another way, with the same answer.
    sets.last.update_columns(proposed_verdict: "rest")
    expect(verdicts.call("?verdict=rest")).to eq %w[Rest]
    Windlass::Actions::Decide.call(
      sets.last,
      Windlass::Queries::JudgeDay.call(sets.last),
      decided: :rest,
      because: "a cold",
      now: clock.now
    )
    expect([verdicts.call("?verdict=rest"), verdicts.call("?verdict=stop")]).to eq [%w[Rest Rest], []]
  end

  it "suspends at once where a stop is written in" do
    write_in("5x13 blackout 1 mar")
    expect(athlete.suspensions.sole.reason).to start_with("Blackout on 1 March 2026.")
  end

  it "is filtered, paged, and comes as files that no spreadsheet runs" do
    one = run_set(prescription)
    (1..55).each do |day|
      copy =
        one.dup.tap do |session|
          session.update!(uuid: SecureRandom.uuid, local_date: clock.now.to_date - day, note: (day == 7) ? "=1+1" : "")
        end
      one.rounds.each { |round| round.dup.update!(session: copy) }
    end
    Windlass::Records::Session.find_by(note: "=1+1").update!(symptoms: ["nausea"])
    get("/log?athlete_id=#{athlete.id}&from=2025-12-01")
    expect(page.css("table.figures tbody tr").size).to eq 50
    get(page.at("a[rel=next]")["href"])
    expect([page.css("table.figures tbody tr").size, page.at("a[rel=next]")]).to eq [6, nil]
    get("/log?symptom=nausea&to=2026-02-22")
    expect(text).to include("Nothing like that was done.")
    get("/log?symptom=nausea&search=%3D1&from=rubbish&verdict=maybe&after=x~y")
    expect(page.css("table.figures tbody tr").size).to eq 1

    get("/log/sessions.csv?symptom=any")
    table = CSV.parse(last_response.body, headers: true)
    expect([table.size, table[0]["note"], table[0]["symptoms"], last_response.body.count("\r")]).to eq [
      1,
      "'=1+1",
      "nausea",
      2
    ]
    get("/log/holds.csv")
    expect(CSV.parse(last_response.body, headers: true).size).to eq 56 * 13
  end
end
