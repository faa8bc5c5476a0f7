# frozen_string_literal: true

require "web_helper"

RSpec.describe "Sessions", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:prescription) { prescribe(athlete) }

  def plan
    submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/sessions")
    Windlass::Records::Session.find_by!(uuid: last_response.headers["location"][%r{sessions/(.*)/deck}, 1])
  end

  describe "the prescription" do
    it "is dosed from the newest valid control pause and shown before it is run" do
      submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", "protocol" => "small-holds")
      follow_redirect!

      expect(text).to include "13 holds of 5 s in 5 min, 2 sets a day",
        "Next: sets a day 2 → 3",
        "set 1 of 2".capitalize
      expect(page.css(".held-tint").size).to eq 13
      expect(page.at("svg.strip desc").text).to start_with "7 min in all: 13 holds of 5 s."
    end

    it "says what is missing where there is no measure, and knows no other protocol" do
      other = make_athlete(name: "Odd Falkenrath")
      submit("/athletes/#{other.id}", "/athletes/#{other.id}/prescriptions", "protocol" => "small-holds")
      expect([last_response.status, text]).to match [422, /Small holds needs a valid control pause first/]

      submit("/athletes/#{other.id}", "/athletes/#{other.id}/prescriptions", "protocol" => "nonsense")
      expect(text).to include 'protocol: "nonsense" does not exist; known: small-holds'
    end

    it "puts one session on the deck, however often it is pressed" do
      expect(plan).to eq plan
      get("/sessions/#{plan.uuid}/deck")
      timeline = JSON.parse(page.at("#plan").text)

      expect(timeline.values_at("total_ms", "over")).to eq [420_000, false]
      expect(timeline["segments"].sum { |segment| segment["ms"] }).to eq 420_000
      expect(timeline["segments"].count { |segment| segment["hold"] }).to eq 13
    end
  end

  describe "the journal" do
    let(:session) { plan }
    let(:events) { journal(session) }

    def sent(batch) = send_json("/sessions/#{session.uuid}/events", events: batch)

    it "counts no time after one turned to quiet breathing, and says from when on" do
      sent(
        [
          {"start" => 0, "quiet" => 190_000, "stop" => 2_400_000}.map do |kind, at_ms|
            {uuid: SecureRandom.uuid, kind: kind, at_ms: at_ms}
          end
        ].flatten
      )
      get("/sessions/#{session.uuid}")

      expect([session.reload.done_ms, session.state, text]).to match [
        190_000,
        "stopped",
        /quiet breathing from 3:10 on/
      ]
    end

    it "keeps marks that come in pieces, twice and in disorder, once each" do
      sent(events.first(20))
      sent(events.reverse)
      sent(events)

      expect(JSON.parse(last_response.body)["kept"].size).to eq events.size
      expect(session.journal_events.count).to eq events.size
      expect(session.reload.state).to eq "done"
      expect(session.rounds.map { |round| [round.held_ms, round.first_breath] }).to eq [[5_000, "smooth"]] * 13
    end

    it "takes or refuses mark by mark: an impossible one is named, and keeps none of the others from being kept" do
      sent(
        [
          events[0].merge(at_ms: -5),
          events[1],
          events.last.merge(kind: "applause"),
          "rubbish",
          events[2].merge(at_ms: 86_400_001)
        ]
      )
      answer = JSON.parse(last_response.body)

      expect(answer["kept"]).to eq [events[1][:uuid]]
      expect(answer["refused"].map { |one| one["why"] }).to eq [
        "at_ms lies outside of a day",
        "kind is not known",
        "is no event",
        "at_ms lies outside of a day"
      ]
      post("/sessions/#{session.uuid}/events", "not json", "CONTENT_TYPE" => "application/json")
      expect([last_response.status, JSON.parse(last_response.body)["errors"].keys]).to eq [422, ["events"]]
    end

    it "makes no hold of less than nothing where a clock was set back, and goes on" do
      sent(
        [
          events.first,
          {uuid: SecureRandom.uuid, kind: "hold_end", at_ms: 100_000, round: 1},
          {uuid: SecureRandom.uuid, kind: "hold_start", at_ms: 125_000, round: 1}
        ]
      )

      expect([last_response.status, session.rounds.reload.map(&:held_ms)]).to eq [200, [0]]
    end

    it "ends early as a normal end, keeping what was done" do
      sent(journal(session, holds: session.to_timeline.holds.first(4), ending: "stop"))

      expect([session.reload.state, session.rounds.count]).to eq ["stopped", 4]
    end
  end

  describe "the verdict" do
    let!(:sets) { Array.new(2) { run_set(prescription) } }
    let(:path) { "/sessions/#{sets.last.uuid}" }
    let(:rating) { {"effort" => "3"} }

    it "is shown with its reasons, and changes with what is typed before anything is kept" do
      get(path)
      expect(text).to include "Repeat", "Clean, 1 of 2 in a row on this rung."

      submit(path, "#{path}/verdict", "effort" => "9.5")
      expect(last_response.body).to include "Ease", "Effort 9.5 of 10.", "13 holds of 5 s".sub("13", "7")
      expect(sets.last.reload.effort).to eq 3
    end

    it "moves the prescription when it is accepted, once, and is kept with its reasons" do
      yesterday = WebHelpers::NOON - 86_400
      2.times { run_set(prescription, at: yesterday) }
      2.times { submit(path, "#{path}/decision", rating.merge("seen" => "advance", "decided" => "accept")) }

      expect(prescription.reload.dose).to eq({"hold_s" => 5, "minutes" => 5, "sets" => 3})
      expect(
        prescription.moves.map { |move| [move.verdict, move.decided, move.reasons.map { |one| one["rule"] }] }
      ).to eq [["advance", "advance", ["advance.clean"]]]
    end

    it "is overruled only with a reason" do
      submit(path, "#{path}/decision", rating.merge("seen" => "repeat", "decided" => "advance", "because" => " "))
      expect([last_response.status, text]).to match [422, /Because: is missing: say why you overrule/]

      submit(
        path,
        "#{path}/decision",
        rating.merge("seen" => "repeat", "decided" => "advance", "because" => "Knows it from before")
      )
      expect(prescription.reload.dose["sets"]).to eq 3
      get(path)
      expect(text).to include "Decided by Maren: advance, over repeat: Knows it from before"
    end

    it "is not decided on an outdated page" do
      submit(path, "#{path}/decision", {"effort" => "9", "seen" => "repeat", "decided" => "accept"})

      expect([last_response.status, text]).to match [422, /the verdict is now ease: look at it again/]
      expect(prescription.moves.count).to eq 0
    end

    it "is not decided any more where the measures that it stands on are gone" do
      Windlass::Records::Measure.delete_all
      submit(path, "#{path}/decision", rating.merge("seen" => "repeat", "decided" => "accept"))

      expect([last_response.status, text]).to match [422, /do not offer this protocol any more/]
    end

    it "says on a decided day too that a stop acts as soon as it is saved" do
      submit(path, "#{path}/decision", rating.merge("seen" => "repeat", "decided" => "accept"))
      submit(path, "#{path}/verdict", rating.merge("symptoms" => ["confusion"]))
      expect(last_response.body).to include "Decided by Maren: repeat",
        "Stop: Confusion: no hold work until a clinician has cleared it. It acts as soon as it is saved."
    end

    it "keeps what was typed where something of it is wrong" do
      submit(
        path,
        "#{path}/rating",
        "effort" => "11",
        "note" => "long day",
        "rounds" => {
          "3" => {"held_s" => "soon"}
        }
      )

      expect(last_response.status).to eq 422
      expect(text).to include "Effort: 11 is not allowed; allowed: 0 to 10", "long day", "“soon” is not a number"
      expect(page.at("input[name='rounds[3][held_s]']")["value"]).to eq "soon"
    end

    it "rests for seven days after a second warning: nothing is put on the deck" do
      run_set(prescription, at: WebHelpers::NOON - 5 * 86_400, symptoms: ["nausea"])
      submit(
        path,
        "#{path}/decision",
        {"effort" => "3", "symptoms" => ["lightheaded"], "seen" => "rest", "decided" => "accept"}
      )

      submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/sessions")
      expect([last_response.status, text]).to match [422, /Rest with quiet breathing. Until 9 March 2026/]
      clock.now = WebHelpers::NOON + 7 * 86_400
      expect(plan.to_dose).to eq({hold_s: 5, minutes: 2.5, sets: 2})
    end
  end

  describe "quiet breathing" do
    let(:quiet) do
      Windlass::Actions::Prescribe.call(
        make_athlete(name: "Piet van der Zwaal"),
        Windlass::Protocols.find("quiet-breathing"),
        now: clock.now
      )
    end

    def breathe(seconds, ending:, at: clock.now)
      session = Windlass::Actions::PlanSession.call(quiet.reload, now: at)
      events =
        [{kind: "start", at_ms: 0}, {kind: ending, at_ms: seconds * 1000}].map do |one|
          one.merge(uuid: SecureRandom.uuid)
        end
      Windlass::Actions::KeepJournal.call(session, events, now: at)
      session.tap { |one| one.update!(effort: 2) }
    end

    def reasons(session) = Windlass::Queries::JudgeDay.call(session).reasons.map(&:text)

    it "needs no measure, and is judged on its minutes" do
      expect(reasons(breathe(269, ending: "stop"))).to eq ["Not the whole dose: 4 min 29 s of 5 min done."]
      Windlass::Records::Session.last.update!(done_ms: 270_000)
      expect(reasons(Windlass::Records::Session.last)).to eq ["Clean, 1 of 2 in a row on this rung."]
      clock.now += 86_400
      expect(reasons(breathe(300, ending: "finish"))).to eq ["Clean, 2 in a row on this rung."]
      clock.now += 86_400
      expect(reasons(breathe(0, ending: "stop")).first).to eq "Nothing was done, so this is not counted as a session."
    end

    it "stays open while a stop binds all hold work" do
      held = run_set(prescription)
      Windlass::Actions::RateSession.call(
        held,
        {effort: 2, symptoms: ["palpitations"], note: "", rounds: {}},
        now: clock.now
      )
      open = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("quiet-breathing"), now: clock.now)
      submit("/prescriptions/#{open.id}", "/prescriptions/#{open.id}/sessions")
      expect(last_response.headers["location"]).to end_with "/deck"

      get("/sessions/#{Windlass::Records::Session.last.uuid}/deck")
      expect(JSON.parse(page.at("#plan").text)["segments"].map { |one| one["kind"] }.uniq).to eq %w[inhale exhale]
      get("/")
      expect(page.css("section[aria-labelledby=train] li").map { |row| row.text.split.join(" ") }).to eq [
        "Ines Aldaya Quiet breathing 33 breaths, in 3 s and out 6 s, 5 min Rung 1 of 11 · said: well Start"
      ]
    end
  end

  describe "a stop" do
    let!(:session) { run_set(prescription) }

    before do
      submit(
        "/sessions/#{session.uuid}",
        "/sessions/#{session.uuid}/rating",
        "effort" => "3",
        "symptoms" => ["chest_pain"]
      )
    end

    it "acts at once, is not overruled, and says what lifts it" do
      submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/sessions")
      expect([last_response.status, text]).to match [
        422,
        /Chest pain on 2 March 2026. No hold work until a clinician has cleared it/
      ]

      submit(
        "/sessions/#{session.uuid}",
        "/sessions/#{session.uuid}/decision",
        {
          "effort" => "3",
          "symptoms" => ["chest_pain"],
          "seen" => "stop",
          "decided" => "repeat",
          "because" => "He is fine"
        }
      )
      expect([last_response.status, text]).to match [422, /a stop is not overruled/]
    end

    it "is lifted by a clearance, and then begins at the lowest rung with a new measure" do
      stop = athlete.suspensions.first
      clear = ->(**typed) do
        submit("/athletes/#{athlete.id}", "/suspensions/#{stop.id}/clearance", typed.transform_keys(&:to_s))
      end

      clear[clinician: "", cleared_on: "2026-03-01"]
      expect(text).to include "is missing", "2026-03-01 is not allowed; allowed: 2026-03-02 to 2026-03-02"
      clear[clinician: "Dr Amadi, cardiologist", cleared_on: "2026-03-02"]

      submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", "protocol" => "small-holds")
      expect([last_response.status, text]).to match [422, /until a new measure has been taken/]
      make_pause(athlete, 11, at: WebHelpers::NOON + 60)
      submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", "protocol" => "small-holds")
      expect(prescription.reload.attributes).to include(
        "state" => "active",
        "dose" => {
          "hold_s" => 5,
          "minutes" => 5,
          "sets" => 2
        }
      )
    end
  end

  it "says of what nobody marked that it was not marked, on the sheet, in the log and when it is saved again; a " \
    "time that is typed marks it" do
    session = run_set(prescribe(make_athlete.tap { |one| make_pause(one) }))
    session.rounds.each { |round| round.update!(unmarked: true, first_breath: nil) }
    rate = ->(**more) { submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/rating", effort: "3", **more) }

    get("/sessions/#{session.uuid}")
    expect(page.css("input[name$='[held_s]']").map { |field| [field["value"].to_s, field["placeholder"]] }.uniq).to eq [
      ["", "not marked"]
    ]
    rate["rounds[1][held_s]": "", "rounds[2][held_s]": "7"]
    expect(session.rounds.reload.order(:number).first(2).map { |round| [round.unmarked, round.held_ms] }).to match [
      [true, Integer],
      [false, 7000]
    ]
    get("/log")
    expect(page.at("td.n.whole").text).to include "0:07 in 1"
  end

  it "asks once how the ribs were in a hiss, and an answer makes it count" do
    athlete = make_athlete.tap { |one| make_pause(one) }
    hiss = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("hiss-ladder"), now: clock.now)
    submit(
      "/prescriptions/#{hiss.id}/write-in",
      "/prescriptions/#{hiss.id}/write-in",
      as_planned: "yes",
      on: clock.now.to_date.iso8601
    )
    session = hiss.sessions.sole
    get("/sessions/#{session.uuid}")
    expect(page.css("input[name=ribs]").map { |field| field["value"] }).to eq ["always", "mostly", "no", ""]
    clean = -> { Windlass::Queries::JudgeDay.call(session.reload).reasons.first.rule }
    expect(clean.call).not_to eq "repeat.count"
    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/rating", effort: "3", ribs: "always")
    expect([session.reload.ribs, clean.call]).to eq %w[always repeat.count]
  end
end
