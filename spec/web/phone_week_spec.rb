# frozen_string_literal: true

require "web_helper"

# What a phone has with it for days without a network, and what comes home of it.
RSpec.describe "A phone that has the days to come with it", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }

  # @return [Array<Hash>] what lies there
  def laid = JSON.parse(get("/mine/week.json").body)["decks"]

  # @return [Hash] the plan of a deck that lies there
  def plan_of(deck) = get(deck["path"]) && JSON.parse(page.at("#plan").text)

  # Sends a whole run of it, as a phone does that begins it so long ago.
  # @return [Records::Session, nil]
  def send_run(plan, uuid: SecureRandom.uuid, ago_s: 0, also: [])
    get("/token")
    header("X-CSRF-Token", JSON.parse(last_response.body).fetch("token"))
    blank = Windlass::Records::LaidSet.find_by!(uuid: plan["uuid"]).to_session
    more = also.map { |event| {uuid: SecureRandom.uuid, **event} }
    events = [*journal(blank), *more].map { |event| event.merge(ago_ms: ago_s * 1000) }
    post("/sessions/#{uuid}/events", JSON.generate(key: plan["key"], laid_set: plan["uuid"], events: events),
      "CONTENT_TYPE" => "application/json")
    Windlass::Records::Session.find_by(uuid: uuid)
  end

  before { prescription && hold_phone }

  it "has a week of it, the same as long as nothing changed; a set each time it is begun, whoever is signed in" do
    week = laid
    expect(week.map { |deck| deck["day"] }).to eq((0..6).map { |ahead| (clock.now.to_date + ahead).iso8601 })
    expect([laid, Windlass::Records::LaidSet.count]).to eq [week, 7]
    header("If-None-Match", last_response.headers["etag"])
    expect(get("/mine/week.json").status).to eq 304
    header("If-None-Match", nil)
    plans = week.map { |deck| plan_of(deck) }
    mine = WebHelpers.seated.uuid

    clock.now += 3 * 86_400
    WebHelpers.seated = false
    first = [send_run(plans[0], ago_s: 3 * 86_400), send_run(plans[0], ago_s: 3 * 86_400 - 5 * 3600)]
    twice = send_run(plans[1], ago_s: 2 * 86_400)
    send_run(plans[1], uuid: twice.uuid, ago_s: 2 * 86_400)
    expect([*first, twice].map { |run| [run.local_date.iso8601, run.state, run.run_by, run.caution] }).to eq [
      ["2026-03-02", "done", mine, ""], ["2026-03-02", "done", mine, ""], ["2026-03-03", "done", mine, ""]
    ]
    expect([prescription.sessions.count, twice.rounds.count, twice.journal_events.count]).to eq [3, 13,
      twice.reload.journal_events.distinct.count(:uuid)]
  end

  it "keeps what was begun before the phone heard of a change, with its caution; it moves nothing" do
    plan = plan_of(laid.first)
    as_coach { Windlass::Actions::EndPrescription.call(prescription) }
    run = send_run(plan)
    expect([run.caution, run.proposed_plain]).to match [/had been ended before it was begun/, false]
    expect([laid, prescription.moves.count]).to eq [[], 0]
  end

  it "says so where an earlier day moved the dose before a later one came home; that moves nothing more" do
    plans = laid.map { |deck| plan_of(deck) }
    clock.now += 2 * 86_400
    2.times { |set| send_run(plans[0], ago_s: (48 - 4 * set) * 3600, also: [{kind: "effort", value: "2", at_ms: 0}]) }
    day = prescription.sessions.order(:id).last
    verdict = Windlass::Queries::JudgeDay.call(day, of_the_day: day.sets_of_the_day)
    Windlass::Actions::Decide.call(
      day, verdict, decided: :advance, because: "Easy.", now: clock.now, of_the_day: day.sets_of_the_day
    )
    run = send_run(plans[1], ago_s: 24 * 3600)
    expect([run.caution, run.proposed_plain]).to eq ["It had moved on by the time that this came home.", false]
    clock.now += 86_400
    expect(send_run(plans[3]).caution).to eq "It was changed before it was begun, and the phone did not know."
  end

  it "keeps what was run unaware of a stop, and has nothing more to take along" do
    plan = plan_of(laid.first)
    felt = {uuid: SecureRandom.uuid, symptom: "chest_pain", strength: 3, felt_on: clock.now.to_date}
    Windlass::Actions::TellComplaint.call(athlete, felt, now: clock.now)
    expect([send_run(plan).caution, laid]).to match [/Chest pain/, []]
    expect(as_coach { get("/") && text }).to match(/Ines Aldaya.*Chest pain/)
  end

  it "refuses by name what was begun after the right to it had ended; marks come in though consent was taken back" do
    plan = plan_of(laid.first)
    Windlass::Actions::KeepConsent.take_back(athlete, now: clock.now)
    run = send_run(plan, also: [{kind: "asked", value: "nothing", at_ms: 0}])
    expect([run&.state, athlete.days.count]).to eq ["done", 0]
    Windlass::Actions::GiveRole.end(WebHelpers.seated.roles.sole, now: clock.now - 60)
    expect(send_run(plan)).to be_nil
    said = JSON.parse(last_response.body)
    expect([last_response.status, said["kept"], said["refused"].map { |one| one["why"] }.uniq]).to eq [
      200, [], ["was made after the right to it had ended"]
    ]
  end

  it "opens nobody else's, and takes nothing under a number that is none, or without a key" do
    plan = plan_of(laid.first)
    hold_phone(make_athlete(name: "Odd Falkenrath"))
    expect([get("/mine/decks/#{plan["uuid"]}").status, laid]).to eq [404, []]
    expect([send_run(plan.merge("key" => nil)), last_response.status]).to eq [nil, 404]
    WebHelpers.seated = false
    expect([send_run(plan, uuid: "x"), last_response.status]).to eq [nil, 401]
    expect([send_run(plan.merge("key" => plan["key"].next)), last_response.status]).to eq [nil, 401]
  end

  # What was said without a network, so many hours ago.
  def send_piece(kind, ago_h: 0, uuid: SecureRandom.uuid, **said)
    get("/token")
    header("X-CSRF-Token", JSON.parse(last_response.body).fetch("token"))
    body = {uuid: uuid, ago_ms: ago_h * 3_600_000, days_ago: 0, **said}
    post("/mine/pieces/#{kind}", JSON.generate(body), "CONTENT_TYPE" => "application/json")
    [last_response.status, JSON.parse(last_response.body)]
  end

  it "is heard later of what was said without a network, each piece once, on the day on which it was said" do
    uuid = SecureRandom.uuid
    answers = Array.new(2) do
      [
        send_piece("felt", ago_h: 50, uuid: uuid, days_ago: 1, symptom: "nausea", strength: "2", note: ""),
        send_piece("morning", ago_h: 29, uuid: uuid, seconds: "24,5", ended_by: "throat", first_breath: "calm",
          on_waking: "true"),
        send_piece("day", ago_h: 48, uuid: uuid, answers: ["injured"], chest: false)
      ]
    end
    expect(answers.flatten(1)).to all(eq([200, {"kept" => uuid}]))
    today = clock.now.to_date
    expect(Windlass::Records::Complaint.sole.local_date).to eq today - 3
    expect(athlete.measures.order(:id).last(2).map { |one| [one.value, one.taken_at.to_date] }).to match [
      [24.0, today], [24.5, today - 1]
    ]
    Windlass::Actions::KeepDay.call(athlete, {answers: ["water_today"]}, now: clock.now)
    send_piece("day", ago_h: 3, chest: true)
    expect(athlete.days.order(:local_date).pluck(:answers, :chest)).to eq [
      [["injured"], false], [%w[water_today unwell], true]
    ]
    wrong = [send_piece("felt", ago_h: 24 * 40), send_piece("morning", seconds: "abc"), send_piece("day", answers: "x")]
    expect(wrong.map(&:first)).to eq [422, 422, 422]
    expect(wrong.map { |_, said| said["errors"].keys }).to eq [
      ["ago_ms"], %w[seconds ended_by first_breath on_waking], ["answers"]
    ]
  end

  it "counts what was felt in the set that it followed, whichever of the two comes home first" do
    plans = laid.map { |deck| plan_of(deck) }
    send_piece("felt", ago_h: 3, symptom: "nausea", strength: "2", note: "")
    first = send_run(plans[0], ago_s: 4 * 3600)
    later = send_run(plans[0], ago_s: 2 * 3600)
    expect([first.reload.symptoms, later.reload.symptoms]).to eq [["nausea"], []]
  end
end
