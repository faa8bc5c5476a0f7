# frozen_string_literal: true

require "web_helper"
require "pdf-reader"

# What was entered wrong: corrected with a trace, discarded, brought back.
RSpec.describe "Corrections", :web, :both_databases do
  let(:athlete) { make_athlete }

  def hold(seconds, **more) =
    Windlass::Actions::TakeMeasure.keep(
      athlete,
      Windlass::Measures.kind("maximal_hold"),
      {
        uuid: SecureRandom.uuid,
        taken_on: clock.now.to_date - 3,
        seconds: seconds,
        first_breath: "smooth",
        eventful: "no",
        watcher: "Jo",
        **more
      },
      now: clock.now
    )

  it "correct a measure of any kind; what stood there is kept and shown, what was typed wrong stays, and a stop " \
    "that it says acts" do
    pause = make_pause(athlete, 24)
    maximal = hold(95)
    typed = {
      seconds: "half a minute", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
      taken_on: clock.now.to_date.to_s
    }
    submit("/measures/#{pause.uuid}/correct", "/measures/#{pause.uuid}/correct", typed)
    expect([last_response.status, page.at("#seconds")["value"], pause.reload.value]).to eq [422, "half a minute", 24]
    submit("/measures/#{pause.uuid}/correct", "/measures/#{pause.uuid}/correct", typed.merge(seconds: "0:26,5"))
    expect(pause.reload.value).to eq 26.5
    expect(get("/control-pauses/#{pause.uuid}").body).to include("before: pause 24 s")

    submit(
      "/measures/#{maximal.uuid}/correct",
      "/measures/#{maximal.uuid}/correct",
      {seconds: "59", first_breath: "smooth", eventful: "stop", watcher: "Jo", taken_on: (clock.now.to_date - 3).to_s}
    )
    expect(get("/measures/#{maximal.uuid}").body).to include("before: held 1:35, afterwards nothing to note<")
    expect([maximal.reload.value, athlete.reload.suspensions.map(&:kind), athlete.to_values.maximal_hold_s]).to eq [
      59,
      ["stop"],
      nil
    ]
  end

  it "overwrite nothing that nobody saw: of two coaches the second is told, and what they typed is not lost" do
    pause = make_pause(athlete, 24)
    dive =
      Windlass::Records::Dive.create!(
        account_id: 1,
        athlete: athlete,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        down_at: clock.now - 600,
        seconds: 60
      )
    screening = athlete.screenings.last
    typed = {
      "/measures/#{pause.uuid}" => {
        seconds: "26", ended_by: "diaphragm", first_breath: "calm", on_waking: "true", taken_on: clock.now.to_date.to_s
      },
      "/dives/#{dive.uuid}" => {
        seconds: "70",
        hard: "false",
        signs: "",
        line: "false"
      },
      "/screenings/#{screening.id}" =>
        Windlass::Screening::MATRIX.conditions.to_h { |one| ["answers[#{one.id}]", (one.id == :asthma) ? "yes" : "no"] }
    }
    outcomes =
      typed.map do |address, fields|
        get("#{address}/correct")
        seen = page.at("input[name=seen]")["value"]
        [seen, seen].map { |one| submit("#{address}/correct", "#{address}/correct", fields.merge(seen: one)).status }
      end

    expect(outcomes).to eq [[303, 409]] * 3
    expect(text).to include "Somebody else changed this while it was open here"
  end

  # A field shows tenths; what stands behind it may be finer, and a tenth may be what a verdict hangs on.
  it "leave alone what is sent back as it stood: the verdict is the same, and nothing is noted as corrected" do
    make_pause(athlete)
    session = run_set(prescribe(athlete))
    session.rounds.find_by(number: 3).update!(held_ms: 4_498)
    session.update!(effort: 6.25)
    verdict = -> { Windlass::Queries::JudgeDay.call(session.reload).reasons.map(&:text) }
    before = verdict.call
    shown =
      get("/sessions/#{session.uuid}").then do
        page.css("input[name*=held_s]").to_h { |field| [field["name"], field["value"]] }
      end
    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/rating", {effort: "6.3", note: "Calm", **shown})
    expect(
      [shown["rounds[3][held_s]"], session.reload.rounds.map(&:held_ms)[2], session.effort, verdict.call, before.join]
    ).to match ["4.5", 4_498, 6.25, before, /round 3 under 90 %/]

    pause, maximal = make_pause(athlete, 24.37), hold(95.04)
    dive =
      Windlass::Records::Dive.create!(
        account_id: account.id,
        athlete: athlete,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        down_at: clock.now - 3600,
        seconds: 61.238,
        depth_m: 8.34
      )
    ["/measures/#{pause.uuid}", "/measures/#{maximal.uuid}", "/dives/#{dive.uuid}"].each do |address|
      get("#{address}/correct")
      stood =
        page
          .css("form[action$=correct]")
          .css("input:not([type=radio]), input[checked]")
          .to_h { |field| [field["name"], field["value"]] }
      submit("#{address}/correct", "#{address}/correct", stood.merge("note" => "In the hall"))
    end
    expect([pause.reload.value, maximal.reload.value, dive.reload.seconds, dive.depth_m]).to eq [
      24.37,
      95.04,
      61.238,
      8.34
    ]
    expect([pause, maximal, dive, session].map(&:note)).to eq ["In the hall"] * 3 + ["Calm"]
    expect(Windlass::Records::Correction.pluck(:before).flat_map(&:keys)).to eq []
    athlete.update!(mass_kg: 61.25)
    get("/athletes/#{athlete.id}/edit")
    expect([page.at("#height_cm")["value"], page.at("#mass_kg")["value"]]).to eq %w[169 61.25]
  end

  it "a measure that is discarded doses nothing, and does again when it is back" do
    maximal = hold(95)
    submit("/measures/#{maximal.uuid}/correct", "/measures/#{maximal.uuid}/discard")
    expect([athlete.to_values.maximal_hold_s, get("/log/measures.csv").body.lines.size]).to eq [nil, 1]
    submit("/athletes/#{athlete.id}/measures", "/measures/#{maximal.uuid}/bring-back")
    expect(athlete.to_values.maximal_hold_s).to eq 95
  end

  it "a screening is corrected on its day, and only the newest one minds the control pause" do
    old, newest = screen(athlete, :asthma, on: clock.now.to_date - 30), screen(athlete, on: clock.now.to_date - 20)
    answers = Windlass::Screening::MATRIX.conditions.to_h { |one| ["answers[#{one.id}]", (one.id == :nervous).to_s] }
    [old, newest].each { |one| submit("/screenings/#{one.id}/correct", "/screenings/#{one.id}/correct", answers) }
    expect([old, newest].map { |one| [one.reload.conditions, one.answered_on] }).to eq [
      [["nervous"], clock.now.to_date - 30],
      [["nervous"], clock.now.to_date - 20]
    ]
    expect(
      [
        athlete.reload.control_pause_use,
        get("/athletes/#{athlete.id}/screening").body.scan(/before: answered [^<]*?(?=, consent)/)
      ]
    ).to eq ["paused", ["before: answered no to all", "before: answered yes to asthma, well controlled"]]
  end

  it "a dive is corrected with a trace; a blackout that is said then stops, and a wrong depth stays typed" do
    dive =
      Windlass::Records::Dive.create!(
        account_id: account.id,
        athlete: athlete,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        down_at: clock.now - 3600,
        seconds: 61.5,
        depth_m: 12,
        signs: "well"
      )
    typed = {
      seconds: "70", depth_m: "1200", hard: "true", signs: "blackout", buddy: "Jo", line: "false", weight_kg: "",
      note: ""
    }
    submit("/dives/#{dive.uuid}/correct", "/dives/#{dive.uuid}/correct", typed)
    expect([last_response.status, page.at("#depth_m")["value"], athlete.reload.suspensions.size]).to eq [422, "1200", 0]
    submit("/dives/#{dive.uuid}/correct", "/dives/#{dive.uuid}/correct", typed.merge(depth_m: "12,5"))
    expect(
      [dive.reload.attributes.values_at("seconds", "depth_m", "hard", "signs"), athlete.reload.suspensions.map(&:kind)]
    ).to eq [[70, 12.5, true, "blackout"], ["stop"]]
    expect(get("/dives/#{dive.uuid}/correct").body).to include(
      "before: length 1:01.5, depth 12 m, hard no, signs well",
      "Discard it"
    )
  end

  it "a photograph is kept with its session for what its bytes are, and a script in its place is refused" do
    make_pause(athlete)
    session = run_set(prescribe(athlete))
    png = "\x89PNG\r\n\x1A\n".b + "x" * 20
    ways_back =
      [
        [png, "/"],
        %w[<script>alert(1)</script> //elsewhere.example/],
        ["<script>alert(1)</script>", "/sessions/#{session.uuid}"]
      ].map do |bytes, from|
        get("/sessions/#{session.uuid}")
        header "Referer", "#{last_request.base_url}#{from}"
        post(
          "/sessions/#{session.uuid}/photos",
          "authenticity_token" => page.at("meta[name=csrf-token]")["content"],
          "photo" => Rack::Test::UploadedFile.new(StringIO.new(bytes), "image/svg+xml", original_filename: "a.svg")
        )
        page.css("main a").map { |link| link["href"] }
      end
    expect(text).to include("This file is no photograph; allowed: JPEG, PNG or WebP.")
    expect(ways_back.last(2)).to eq [["/"], ["/sessions/#{session.uuid}", "/"]]
    get("/photos/#{session.photos.sole.uuid}")
    expect([last_response.body.b, last_response.content_type, last_response.headers["x-content-type-options"]]).to eq [
      png,
      "image/png",
      "nosniff"
    ]
  end

  it "the report says twelve weeks in words that can be searched, for somebody new as well" do
    blank = PDF::Reader.new(StringIO.new(get("/athletes/#{athlete.id}/report.pdf").body)).pages.map(&:text).join
    expect(blank).to include("Nothing was held in these weeks.", "None taken in these weeks.")
    make_pause(athlete)
    prescription = prescribe(athlete)
    session = Array.new(2) { run_set(prescription) }.last
    Windlass::Actions::Decide.call(
      session,
      Windlass::Queries::JudgeDay.call(session),
      decided: "repeat",
      because: nil,
      now: clock.now
    )
    text =
      PDF::Reader.new(StringIO.new(get("/athletes/#{athlete.id}/report.pdf").body)).pages.map(&:text).join.delete(" \n")
    expect(text).to include("Smallholds:1dayjudged,0stepsup,0down.", "1scoreintwelveweeks")
  end

  it "a clearance and a time in the cold that were written wrong open nothing any more, and do again when they are " \
    "back" do
    screen(athlete, :glaucoma_hernia)
    tables = -> { athlete.reload.to_screen(on: clock.now.to_date).finding(:tables, on: clock.now.to_date).state }
    clearance =
      athlete.clearances.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        clinician: "Dr Quill",
        families: %w[tables],
        given_on: clock.now.to_date,
        expires_on: clock.now.to_date + 90,
        created_at: clock.now
      )
    cold =
      athlete.colds.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        ended_at: clock.now - 60,
        stage: 0,
        minutes: 2,
        calm: true,
        why_out: "time",
        watcher: "Jo"
      )
    opened = tables.call
    submit("/athletes/#{athlete.id}/screening", "/clearances/#{clearance.uuid}/discard")
    expect([opened == tables.call, last_response["Location"]]).to match [false, %r{/athletes/#{athlete.id}/screening\z}]
    submit("/athletes/#{athlete.id}/cold", "/colds/#{cold.uuid}/discard")
    expect([athlete.reload.colds.count, get("/athletes/#{athlete.id}/cold").body]).to match [0, /Nothing logged yet/]

    submit("/athletes/#{athlete.id}/cold", "/clearances/#{clearance.uuid}/bring-back")
    submit("/athletes/#{athlete.id}/cold", "/colds/#{cold.uuid}/bring-back")
    expect([tables.call, athlete.reload.colds.count]).to eq [opened, 1]
  end
end
