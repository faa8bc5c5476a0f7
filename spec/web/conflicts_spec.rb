# frozen_string_literal: true

require "web_helper"

# Two tabs, two coaches, two clicks, old days and second thoughts.
RSpec.describe "What comes twice, late or against something", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:prescription) { prescribe(athlete) }
  let(:day) { 86_400 }

  def day_of_sets(ago, **changes) = Array.new(2) { run_set(prescription, at: clock.now - ago * day, **changes) }.last

  def decide(session, decided, because: nil)
    Windlass::Actions::Decide.call(
      session,
      Windlass::Queries::JudgeDay.call(session),
      decided: decided,
      because: because,
      now: clock.now
    )
  end

  def forecastable_hold(**details)
    submit(
      "/athletes/#{athlete.id}/measures/maximal_hold/new",
      "/athletes/#{athlete.id}/measures/maximal_hold",
      {
        uuid: SecureRandom.uuid, taken_on: clock.now.to_date.to_s, seconds: "120", first_breath: "smooth",
        eventful: "no", watcher: "Ada"
      }.merge(details)
    )
  end

  describe "an old day" do
    it "is only noted once a newer one is decided: it moves nothing, and is not asked about any more" do
      old = day_of_sets(2)
      newer = day_of_sets(1, effort: 9)
      expect(Windlass::Presenters::Today.new(account, now: clock.now, links: nil).decisions.size).to eq 2
      decide(newer, :ease)
      dose = prescription.reload.dose
      get("/")
      expect(page.css("section[aria-labelledby=decide] li")).to be_empty

      submit(
        "/sessions/#{old.uuid}",
        "/sessions/#{old.uuid}/decision",
        seen: "repeat",
        decided: "advance",
        because: "late",
        effort: "3"
      )
      expect([prescription.reload.dose, prescription.moves.order(:local_date).pluck(:decided, :noted)]).to eq [
        dose,
        [["advance", true], ["ease", false]]
      ]
      get("/sessions/#{old.uuid}")
      expect(text).to include "noted as advance, and nothing moved"
      submit("/sessions/#{old.uuid}", "/moves/#{prescription.moves.find_by(noted: true).id}/back")
      expect(prescription.reload.dose).to eq dose
    end
  end

  describe "a day of several sets" do
    it "is judged when its last set is done or given up, not before" do
      first = run_set(prescription)
      get("/sessions/#{first.uuid}")
      expect([page.at("#accept"), text]).to match [
        nil,
        /1 of 2 sets done. Verdict after the last set, or once it is given up./
      ]
      submit(
        "/sessions/#{first.uuid}",
        "/sessions/#{first.uuid}/decision",
        seen: "repeat",
        decided: "accept",
        effort: "3"
      )
      expect([last_response.status, prescription.moves.count]).to eq [422, 0]

      submit("/sessions/#{first.uuid}", "/sessions/#{first.uuid}/give-up", effort: "4", note: "Rain")
      expect(first.reload).to have_attributes(given_up: true, effort: 4.0, note: "Rain")
      get("/")
      expect(
        [page.css("section[aria-labelledby=decide] li").size, page.css("section[aria-labelledby=train] li").size]
      ).to eq [1, 0]
      submit("/sessions/#{first.uuid}", "/sessions/#{first.uuid}/take-up")
      expect(Windlass::Presenters::Today.new(account, now: clock.now, links: nil).trainings.map(&:set)).to eq [
        "Set 2 of 2"
      ]
    end

    it "is spoilt by no false start, which is discarded and can be brought back" do
      run_set(prescription)
      false_start = Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now)
      Windlass::Actions::KeepJournal.call(false_start, journal(false_start, holds: [], ending: "stop"), now: clock.now)
      desk = Windlass::Presenters::Today.new(account, now: clock.now, links: nil)
      expect([desk.decisions, desk.trainings.map(&:set)]).to eq [[], ["Set 2 of 2"]]
      get("/prescriptions/#{prescription.id}")
      expect(text).to include "Set 2 of 2"
      second = run_set(prescription, at: clock.now + 600)
      get("/sessions/#{second.uuid}")
      expect(text).to include "set 2 of 2"
      get("/athletes/#{athlete.id}")
      expect(text).to match(/1 training day in four weeks.*sets a day2 of 2–/m)
      get("/sessions/#{false_start.uuid}")
      expect(page.at("#discard").text).to eq "Discard the false start"
      submit("/sessions/#{false_start.uuid}", "/sessions/#{false_start.uuid}/discard")
      expect(Windlass::Queries::JudgeDay.call(day_of_sets(-1)).reasons.map(&:rule)).not_to include "ease.short"

      expect([prescription.sessions.kept.count, false_start.reload.discarded_at]).to match [4, be_a(Time)]
      get("/athletes/#{athlete.id}")
      submit("/athletes/#{athlete.id}", "/sessions/#{false_start.uuid}/bring-back")
      expect(false_start.reload.discarded_at).to be_nil
      whole = run_set(prescription, at: clock.now + 3 * day)
      submit("/sessions/#{whole.uuid}", "/sessions/#{whole.uuid}/discard", effort: "3")
      expect([last_response.status, text]).to match [422, /Only a false start can be discarded/]
    end
  end

  describe "a stop" do
    let(:session) { day_of_sets(0) }

    def rate(*symptoms) =
      submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/rating", effort: "3", symptoms: symptoms)

    it "opens each time that one is said, also on the same session after a clearance" do
      rate("blackout")
      stop = athlete.suspensions.sole
      rate("blackout")
      expect(athlete.suspensions.count).to eq 1
      Windlass::Actions::ClearStop.call(stop, {clinician: "Dr Holt", cleared_on: clock.now.to_date}, now: clock.now)
      rate("blackout")
      expect(athlete.reload.suspension_on(clock.now.to_date)).to be_nil

      rate("blackout", "chest_pain")
      expect(athlete.reload.suspension_on(clock.now.to_date).reason).to start_with "Chest pain on"
      rate("blackout", "chest_pain", "confusion")
      expect(athlete.suspensions.where(lifted_at: nil).sole.reason).to match(/Chest pain.*Confusion.*cleared it\.\z/)
    end

    it "opens from a maximal hold that ended badly, from which nothing is dosed" do
      forecastable_hold(seconds: "130", taken_on: (clock.now.to_date - 30).to_s)
      forecastable_hold(seconds: "150", first_breath: "gasp", taken_on: (clock.now.to_date - 9).to_s)
      expect([athlete.to_values.maximal_hold_s, athlete.suspensions.count]).to eq [130.0, 0]

      forecastable_hold(seconds: "170", eventful: "stop")
      expect(athlete.to_values.maximal_hold_s).to eq 130.0
      expect(athlete.reload.suspension_on(clock.now.to_date)).to have_attributes(
        stop?: true,
        reason: /Maximal hold on 2 March 2026: shaking, blue lips/
      )
      expect { Windlass::Actions::PlanSession.call(prescription, now: clock.now) }.to raise_error Windlass::Error,
        /Until a clinician has cleared it/
    end
  end

  it "tells the second of two coaches who decide one day otherwise, and keeps the first decision" do
    session = day_of_sets(0)
    decide(session, :repeat)

    expect(decide(session, :repeat)).to eq prescription.moves.sole
    submit(
      "/sessions/#{session.uuid}",
      "/sessions/#{session.uuid}/decision",
      seen: "repeat",
      decided: "ease",
      because: "looked tired",
      effort: "3"
    )
    expect([last_response.status, text, prescription.moves.pluck(:decided)]).to match [
      422,
      /decided already: repeat/,
      ["repeat"]
    ]
  end

  it "lets no tab overwrite what another wrote since, and keeps one of what was sent twice" do
    get("/athletes/#{athlete.id}/edit")
    stale = page.at("input[name=lock_version]")["value"]
    fields = {
      name: "Ines A", born_on: "1995-04-01", sex: "female", height_cm: "169", mass_kg: "61",
      control_pause_use: "primary", nervous: "false", sleep_signs: "false"
    }
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}", fields)
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}", fields.merge(name: "Ines B", lock_version: stale))
    expect([last_response.status, text, athlete.reload.name]).to match [409, /Somebody else changed this/, "Ines A"]

    uuid = SecureRandom.uuid
    answers = Windlass::Screening::MATRIX.conditions.to_h { |one| [one.id, "false"] }
    2.times do
      submit("/athletes/new", "/athletes", fields.merge(name: "Once", uuid: uuid))
      submit("/athletes/#{athlete.id}/screening", "/athletes/#{athlete.id}/screening", answers: answers, uuid: uuid)
      submit(
        "/athletes/#{athlete.id}/screening",
        "/athletes/#{athlete.id}/clearances",
        clinician: "Dr Holt",
        given_on: "2026-03-01",
        expires_on: "2026-05-01",
        families: ["tables"],
        uuid: uuid
      )
    end
    expect([account.athletes.where(name: "Once").count, athlete.screenings.count, athlete.clearances.count]).to eq [
      1,
      2,
      1
    ]
  end

  it "plans one session, also where another dose was planned and not begun" do
    sessions = Array.new(3) { Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now) }
    prescription.update!(dose: {hold_s: 5, minutes: 5, sets: 3})
    sessions << Windlass::Actions::PlanSession.call(prescription.reload, now: clock.now)

    expect([sessions.map(&:id).uniq.size, sessions.last.to_dose[:sets]]).to eq [1, 3]
    columns = sessions.last.attributes.except("id").merge("uuid" => SecureRandom.uuid)
    expect {
      Windlass::Records::Session.transaction(requires_new: true) { Windlass::Records::Session.create!(columns) }
    }.to raise_error ActiveRecord::RecordNotUnique
  end

  it "ends a prescription with a way back, unless another of its kind was prescribed since" do
    submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/end")
    get("/athletes/#{athlete.id}")
    expect(page.at(".notice-done form")["action"]).to eq "/prescriptions/#{prescription.id}/reopen"
    submit("/athletes/#{athlete.id}", "/prescriptions/#{prescription.id}/reopen")
    expect(prescription.reload.state).to eq "active"

    Windlass::Actions::EndPrescription.call(prescription)
    prescribe(athlete)
    expect { Windlass::Actions::EndPrescription.undo(prescription) }.to raise_error Windlass::Error,
      /prescribed already/
  end

  it "prescribes from the composer without a name, once, and names the limit that a dose passes" do
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 120,
      taken_at: clock.now - 30 * day,
      details: {}
    )
    get("/protocols/co2-table?athlete_id=#{athlete.id}")
    expect(page.at("#found-dose-hold_s").text).to include "5 to 300 s",
      "prescribed up to 1:10 (60 % of the maximal hold)"
    dose = {hold_s: "65", first_rest_s: "100", rest_step_s: "15", rest_floor_s: "30", rounds: "6"}
    2.times do
      submit(
        "/protocols/co2-table?athlete_id=#{athlete.id}",
        "/protocols/co2-table/prescriptions",
        athlete_id: athlete.id,
        dose: dose
      )
    end

    expect(athlete.prescriptions.sole).to have_attributes(
      name: "Carbon-dioxide table",
      own_name: nil,
      dose: include("hold_s" => 65)
    )
    submit(
      "/protocols/co2-table",
      "/protocols/co2-table/prescriptions",
      athlete_id: athlete.id,
      dose: dose.merge(hold_s: "80")
    )
    expect([last_response.status, text]).to match [422, /hold 80 s passes the limit of 70 s/]
  end

  it "sends again, filled, a form of ours that stood open too long; and a busy database says so and is asked again" do
    get("/athletes/new")
    header("Origin", "http://127.0.0.1")
    post("/athletes", {:name => "Späte", :disciplines => %w[surfing singing], "authenticity_token" => "old"})
    expect([last_response.status, text]).to match [403, /nothing was written yet/]
    expect(page.css("input[type=hidden]").to_h { |field| [field["name"], field["value"]] }).to include(
      "name" => "Späte",
      "disciplines[]" => "singing"
    )
    header("Origin", "http://evil.example")
    post("/athletes", {name: "x"})
    expect([last_response.status, page.at("input[name=name]")]).to eq [403, nil]
    header("Origin", nil)

    faults = {
      SQLite3::BusyException => [503, /nothing was written/],
      SQLite3::FullException => [507, /The disk is full/],
      SQLite3::ReadOnlyException => [500, /read-only/],
      ActiveRecord::Deadlocked => [503, /Somebody else is writing/],
      ActiveRecord::LockWaitTimeout => [503, /nothing was written/],
      ActiveRecord::ConnectionNotEstablished => [503, /does not answer/]
    }
    faults.each do |cause, (status, words)|
      # What a driver says comes wrapped; what Active Record knows of all databases does not.
      allow(Windlass::Actions::KeepDay).to receive(:call) do
        raise cause, "no"
      rescue SQLite3::Exception
        raise ActiveRecord::StatementInvalid, "no"
      end
      [{}, {"sent_again" => "1"}].each do |once|
        submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/day", watcher: "Ada Quill", **once)
        expect([last_response.status, text]).to match [status, words]
        expect(page.css("form[data-again]").size).to eq((status == 503 && once.empty?) ? 1 : 0)
      end
    end
    expect(last_response.headers["cache-control"]).to eq "no-store"
  end

  it "says that the disk is full whatever hides it, to machines in JSON; a fault has a name that the page and the " \
    "log share" do
    session = plan(prescription)
    allow(Windlass::Actions::KeepDay).to receive(:call) do
      begin
        raise SQLite3::FullException, "database or disk is full"
      rescue SQLite3::Exception
        raise SQLite3::SQLException, "cannot rollback - no transaction is active"
      end
    rescue SQLite3::Exception
      raise ActiveRecord::StatementInvalid, "no"
    end
    submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/day", watcher: "Ada Quill")
    expect([last_response.status, text]).to match [507, /The disk is full/]

    allow(Windlass::Actions::KeepJournal).to receive(:call).and_raise(Errno::ENOSPC)
    send_json("/sessions/#{session.uuid}/events", {events: []})
    expect([last_response.status, JSON.parse(last_response.body)]).to match [
      507,
      {"errors" => {"request" => /room on the disk/}}
    ]

    log = StringIO.new
    allow(Windlass::Actions::KeepDay).to receive(:call).and_raise(ArgumentError, "Ines Aldaya has heart trouble")
    env("rack.errors", log)
    submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/day", watcher: "Ada Quill")
    id = page.at("main b").text
    expect([last_response.status, log.string]).to match [
      500,
      %r{fault #{id} POST /athletes/:athlete_id/day\nArgumentError}
    ]
    expect(log.string).not_to include "Ada Quill"
  end

  it "writes one line without a name of each refusal that is expected" do
    log = StringIO.new
    env("rack.errors", log)
    submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", protocol: "nonsense")
    submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", protocol: "o2-table")

    expect(log.string.lines).to match [%r{\A\S+ refused 422 POST /athletes/:athlete_id/prescriptions\n\z}] * 2
  end

  it "writes nothing of what it answers, and one line of who asked for another house" do
    house = Rack::MockRequest.new(Windlass::Front.of(Windlass::Web))
    asked = ->(host) { house.get("/sign-in", "HTTP_HOST" => host, "rack.errors" => StringIO.new).status }
    expect { expect(asked["127.0.0.1"]).to eq 200 }.not_to output.to_stderr_from_any_process
    expect { expect(asked["elsewhere.example"]).to eq 403 }.to output(/\A.*HostAuthorization.*\n\z/)
      .to_stderr_from_any_process
  end

  it "asks for somebody beside and an oximeter where a rung asks for care, and starts only then" do
    heavy = make_athlete(name: "Heavy", mass_kg: 105, height_cm: 158)
    heavy.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 150,
      taken_at: clock.now - 70 * day,
      details: {}
    )
    table = Windlass::Actions::Prescribe.call(heavy, Windlass::Protocols.find("co2-table"), now: clock.now)
    expect(table.to_standing(on: clock.now.to_date).ladder.care?(0)).to be true

    said = [{}, {watcher: "Ada"}, {oximeter: "true"}, {watcher: "Ada", oximeter: "true"}]
    statuses =
      said.map do |answers|
        submit(
          "/prescriptions/#{table.id}",
          "/prescriptions/#{table.id}/sessions",
          {asked: "yes", oximeter: "", **answers}
        ).status
      end
    expect(statuses).to eq [422, 422, 422, 303]
  end
end
