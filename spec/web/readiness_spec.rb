# frozen_string_literal: true

require "web_helper"

RSpec.describe "The day before training", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  def prescribe_for(id) = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now)

  def maximal_hold(seconds, at: clock.now - 30 * 86_400)
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

  def run(prescription, **said) =
    submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/sessions", asked: "yes", **said)

  it "asks today's questions with the run: what bars is kept, and forbids it, with what lifts it" do
    prescription = prescribe_for("small-holds")
    run(prescription, answers: %w[wheezy water_today])
    expect([last_response.status, text]).to match [422, /Today: wheezy or tight in the chest. Until a day without it/]
    expect(athlete.days.sole.answers).to eq %w[wheezy water_today]

    get("/")
    expect(text).to include "Not today. Today: wheezy or tight in the chest."
    run(prescription)
    expect(last_response.status).to eq 303
    expect(athlete.reload.days.sole.answers).to eq []
  end

  it "names a watcher before an oxygen table" do
    maximal_hold(120)
    table = prescribe_for("o2-table")
    run(table)
    expect(text).to include "Nobody is named who watches."
    run(table, watcher: "Ada Quill")
    expect(last_response.status).to eq 303
  end

  it "makes a light day of a low morning score: the dose is lighter, marked, and moves nobody" do
    prescription = prescribe_for("small-holds")
    (1..5).each { |back| make_pause(athlete, 24, at: WebHelpers::NOON - back * 86_400 - 3600) }
    2.times { run_set(prescription, at: clock.now - 86_400) }
    athlete.measures.where(taken_at: (WebHelpers::NOON - 86_400)..).destroy_all
    make_pause(athlete, 15)
    light = Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now)

    expect(light).to have_attributes(light: true, dose: {"hold_s" => 4, "minutes" => 4, "sets" => 2})
    get("/prescriptions/#{prescription.id}")
    expect(text).to include "Light day. Morning control pause 15 s, usually 24 s: a light day."
    Windlass::Actions::KeepJournal.call(light, journal(light), now: clock.now)
    light.update!(effort: 3)
    verdict = Windlass::Queries::JudgeDay.call(light.reload)
    expect(verdict.reasons.map(&:rule)).to eq %w[repeat.unfinished]
    expect(verdict.from.dose).to eq({hold_s: 5, minutes: 5, sets: 2})
  end

  it "starts lower after time off, and the session is done there" do
    maximal_hold(120, at: clock.now - 40 * 86_400)
    table = prescribe_for("co2-table")
    rungs = table.to_standing(on: Builders::MONDAY).ladder.rungs
    table.update!(dose: rungs[3])
    done = run_set(table, at: clock.now - 15 * 86_400)
    expect(done.dose).to eq JSON.parse(JSON.generate(rungs[3]))

    session = Windlass::Actions::PlanSession.call(table.reload, now: clock.now)
    expect([session.rung, session.to_dose]).to eq [2, rungs[2]]
    get("/")
    expect(text).to include "Start lower. 15 days since the last session of this. One rung lower."
    expect(table.reload.dose["first_rest_s"]).to eq rungs[3][:first_rest_s]
    events = journal(session)
    Windlass::Actions::KeepJournal.call(session, events, now: clock.now)

    clock.now += 86_400
    expect(Windlass::Actions::PlanSession.call(table.reload, now: clock.now).to_dose).to eq rungs[2]
    table.update!(dose: rungs[4])
    Windlass::Actions::KeepJournal.call(session, events, now: clock.now)
    expect(table.reload.dose["rounds"]).to eq rungs[4][:rounds]
  end

  it "keeps somebody on the smaller ladder on which they came back, and on their half where that is less" do
    maximal_hold(120, at: clock.now - 80 * 86_400)
    table, holds = %w[co2-table small-holds].map { |id| prescribe_for(id) }
    [table, holds].each { |one| run_set(one, at: clock.now - 50 * 86_400) }
    holds.update!(reduced: true, dose: holds.dose.merge("minutes" => 2.5))
    run_set(table.reload)
    clock.now += 86_400

    expect(Windlass::Actions::PlanSession.call(table.reload, now: clock.now).to_dose).to include hold_s: 45, rounds: 6
    get("/")
    expect(text).not_to include "Measure anew"
    run_set(table.reload)
    get("/")
    expect(
      page.css("section[aria-labelledby=missing]").text.split.join(" ")
    ).to include "Carbon-dioxide table: back after a long time off, on a smaller ladder. Measure anew Maximal hold"
    maximal_hold(110, at: clock.now - 3600)
    get("/")
    expect(text).not_to include "Measure anew"
    expect(Windlass::Actions::PlanSession.call(holds.reload, now: clock.now).to_dose).to include minutes: 2.5
  end

  it "comes back from an illness three days after its last day" do
    prescription = prescribe_for("small-holds")
    run_set(prescription, at: clock.now - 6 * 86_400)
    athlete.days.create!(account_id: account.id, local_date: clock.now.to_date - 2, answers: ["unwell"])
    expect { Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now) }.to raise_error Windlass::Error,
      /three days free of symptoms first. Not before 4 March 2026/
    clock.now += 2 * 86_400
    expect(Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now).rung).to eq 0
  end

  it "keeps a strenuous session two days from a maximal test" do
    maximal_hold(120, at: clock.now - 40 * 86_400)
    hold = prescribe_for("single-hold")
    maximal_hold(124, at: clock.now - 47 * 3600)

    expect { Windlass::Actions::PlanSession.call(hold, now: clock.now) }.to raise_error Windlass::Error,
      /A maximal hold was less than 48 hours ago. Not before 2 March 2026 at 13:00/
  end

  describe "a decided move" do
    let(:prescription) { prescribe_for("small-holds") }
    let(:session) { 2.times.map { run_set(prescription) }.last }
    let(:move) { prescription.reload.moves.sole }

    def decide(kind, because: "Seen it")
      Windlass::Actions::Decide.call(
        session,
        Windlass::Queries::JudgeDay.call(session),
        decided: kind,
        because: because,
        now: clock.now
      )
    end

    it "is taken back: the dose, the rest, and the day to be decided again; the record stays" do
      decide(:rest)
      expect(athlete.reload.suspensions.count).to eq 1
      submit("/sessions/#{session.uuid}", "/moves/#{move.id}/back")

      expect(athlete.reload.suspensions.count).to eq 0
      expect([prescription.reload.dose["sets"], prescription.moves.count, Windlass::Records::Move.count]).to eq [
        2,
        0,
        1
      ]
      decide(:repeat)
      expect(prescription.reload.moves.count).to eq 1
    end

    it "is not taken back where it is a stop, or not the newest" do
      first = decide(:repeat)
      clock.now += 86_400
      2
        .times
        .map { run_set(prescription) }
        .last
        .then do |later|
          Windlass::Actions::Decide.call(
            later,
            Windlass::Queries::JudgeDay.call(later),
            decided: :repeat,
            because: "x",
            now: clock.now
          )
        end

      expect { Windlass::Actions::TakeBack.call(first, now: clock.now) }.to raise_error Windlass::Error,
        /Only the newest/
      first.decided = "stop"
      expect { Windlass::Actions::TakeBack.call(first, now: clock.now) }.to raise_error Windlass::Error, /clearance/
    end

    it "is proposed anew where its log is edited, and kept or taken back as the coach says" do
      decide(:repeat)
      Windlass::Actions::RateSession.call(session, {effort: 9, symptoms: [], note: "", rounds: {}}, now: clock.now)
      get("/")
      expect(text).to include "Ease: The log was edited; decided was repeat. Effort 9 of 10."

      submit("/sessions/#{session.uuid}", "/moves/#{move.id}/keep")
      get("/")
      expect(text).not_to include "The log was edited"
    end
  end

  describe "measures" do
    hold = {
      seconds: "95,4", first_urge_s: "52", contraction_s: "61.2", first_breath: "smooth", eventful: "no",
      watcher: "Ada Quill"
    }.freeze

    def take(kind, values)
      path = "/athletes/#{athlete.id}/measures/#{kind}"
      submit("#{path}/new", path, {uuid: SecureRandom.uuid, taken_on: clock.now.to_date.to_s}.merge(values))
      follow_redirect! if last_response.status == 303
    end

    it "are kept, read in words, and open what is dosed from them" do
      take("maximal_hold", hold)
      expect(text).to include "1:35: good for a healthy adult.",
        "Struggle phase 36 % of the hold, after the first contraction at 1:01."
      get("/protocols?athlete_id=#{athlete.id}")
      expect(text).to include "6 holds of 45 s, rests from 2:00 down to 0:45"
    end

    it "are kept whatever readiness would have said: with its caution, and without a dose" do
      take("maximal_hold", hold)
      take("maximal_hold", hold)
      expect(text).to include "No dose is computed from it. The last maximal test was on 2 March 2026."
      expect(
        [
          athlete.measures.where(kind: "maximal_hold").pluck(:caution).count(&:empty?),
          athlete.reload.to_values.maximal_hold_shown_on
        ]
      ).to eq [1, clock.now.to_date]
      take("maximal_hold", hold.merge(taken_on: "2026-01-05"))
      expect([last_response.status, athlete.measures.where(kind: "maximal_hold").count]).to eq [200, 3]
      take("maximal_hold", hold.merge(watcher: " "))
      expect([last_response.status, text]).to match [422, /Who watched: is missing/]
    end

    it "are saved the moment that something is seen which stops hold work; the rest may follow" do
      address = "/athletes/#{athlete.id}/measures/breathing_movement"
      submit("#{address}/new", address, taken_on: clock.now.to_date.to_s, prone_paradoxical: "yes")
      expect([last_response.status, Windlass::Records::Measure.newest_movements([athlete.id])[athlete.id]]).to eq [
        303,
        {prone_paradoxical: "yes"}
      ]
      follow_redirect!
      expect(text).to include "Seen in part.", "Paradoxical breathing"
      submit("#{address}/new", address, taken_on: clock.now.to_date.to_s, prone_paradoxical: "no")
      expect([last_response.status, text]).to match [422, /is missing/]
    end

    wrong = {
      ["maximal_hold", hold.merge(seconds: "9000")] => "9000 is not allowed; allowed: 5 to 720",
      ["maximal_hold", hold.merge(contraction_s: "120")] => "120 is not allowed; allowed: up to 95.4, its end",
      ["maximal_hold", hold.merge(first_breath: "fine")] => "“fine” is not one of: smooth, deeper, gasp",
      ["sustained_exhale", {tempo: "66", beats: "many", width: "yes", steady: "even"}] => "“many” is not a number",
      ["resting_numbers", {breaths: "12", saturation: "40"}] => "40 is not allowed; allowed: 70 to 100"
    }

    wrong.each do |(kind, values), fault|
      it "say what is wrong: #{fault}, and keep what was typed" do
        take(kind, values)
        expect([last_response.status, text]).to match [422, /#{Regexp.escape(fault)}/]
        expect(page.css("input[name=#{values.keys.first}]").first["value"]).to eq values.values.first
      end
    end

    it "show their history, kind by kind" do
      take("resting_numbers", {breaths: "18", pulse: "61", saturation: "94"})
      expect(text).to include "18 breaths, pulse 61, oximeter 94 %.", "Busy breathing at rest", "Under 95 %"
      take("sustained_exhale", {tempo: "60", beats: "24", width: "no", steady: "even"})
      expect(text).to include "24 beats at 60 a minute, 24 s.", "The ribs dropped"
      get("/athletes/#{athlete.id}/measures")
      expect(page.css("svg.measure-chart")).to be_empty # one alone is told, not drawn
      take("resting_numbers", {breaths: "16", pulse: "61", saturation: "97"})
      get("/athletes/#{athlete.id}/measures")
      expect(page.css("svg.measure-chart").size).to eq 1
      expect(athlete.reload.resting_pulse).to eq 61
    end

    it "read breathing movement: a paradoxical breath comes first, prone where the belly is found there" do
      grades =
        Windlass::Measures
          .kind("breathing_movement")
          .fields
          .to_h { |field| [field.key, field.choices.key?("belly") ? "chest" : "no"] }
      take("breathing_movement", grades.merge(supine_paradoxical: "yes", prone_belly_only: "yes"))

      expect(text).to include "1 of 6 done; the chest leads at rest.", "Paradoxical", "Finds the belly face down better"
    end
  end
end
