# frozen_string_literal: true

require "web_helper"

# What actions let through and what they do not, at the edge.
RSpec.describe "Guards", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  let(:today) { clock.now.to_date }

  it "a higher start is one of the ladder's rungs, and none where the measures offer no ladder any more" do
    start = ->(rung) do
      Windlass::Actions::StartHigher.call(prescription, rung: rung, because: "experienced", now: clock.now)
    end
    top = prescription.to_standing(on: today).ladder.top
    [-1, top + 1].each { |rung| expect { start[rung] }.to raise_error Windlass::Error, /allowed: 1 to #{top + 1}/ }
    [0, top].each { |rung| expect { start[rung] }.not_to raise_error }
    athlete.measures.each { |measure| measure.discard(clock.now) }
    expect {
      Windlass::Actions::StartHigher.call(
        prescription.class.find(prescription.id),
        rung: 0,
        because: "experienced",
        now: clock.now
      )
    }.to raise_error Windlass::Error, /not offered/
  end

  it "a measure stops hold work where it found something that stops, once" do
    kind = Windlass::Measures.kind("maximal_hold")
    keep = ->(**more) do
      Windlass::Actions::TakeMeasure.keep(
        athlete,
        kind,
        {
          uuid: SecureRandom.uuid,
          taken_on: today,
          seconds: 60,
          first_breath: "smooth",
          eventful: "no",
          watcher: "Jo",
          **more
        },
        now: clock.now
      )
    end
    keep.call
    expect(athlete.suspensions.count).to eq 0
    Windlass::Actions::TakeMeasure.act(keep.call(eventful: "stop"), clock.now)
    expect(athlete.suspensions.reload.count).to eq 1
  end

  it "a programme has what is done once a week or more, and not what is done never" do
    other = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("quiet-breathing"), now: clock.now)
    programme =
      Windlass::Actions::PlanProgramme.begin(
        [athlete],
        times: {
          prescription.id => 1,
          other.id => 0
        },
        starts_on: today,
        weeks: 2,
        easy_every: nil,
        now: clock.now
      ).sole
    expect(programme.trainings.map { |one| [one.prescription_id, one.times_a_week] }).to eq [[prescription.id, 1]]
  end

  it "a session of the past has the dose that stood then: before the first move of a later day, whatever came after" do
    doses = [{hold_s: 4}, {hold_s: 5}, {hold_s: 6}].map { |one| prescription.dose.merge(one.stringify_keys) }
    prescription.update!(dose: doses[2])
    [[4, 0], [2, 1]].each do |ago, before|
      prescription.moves.create!(
        account_id: account.id,
        session: run_set(prescription, at: clock.now - ago * 86_400),
        local_date: today - ago,
        verdict: "advance",
        decided: "advance",
        reasons: [],
        dose_before: doses[before],
        dose_after: doses[before + 1],
        decided_at: clock.now - ago * 86_400
      )
    end
    written =
      [5, 4, 3, 2, 1].to_h do |ago|
        [ago, Windlass::Actions::PlanSession.written(prescription, on: today - ago, now: clock.now)[:dose][:hold_s]]
      end
    expect(written).to eq(5 => 4, 4 => 5, 3 => 5, 2 => 6, 1 => 6)
  end

  it "Today opens neither what was decided, nor what was given up, nor what waits for a measure" do
    names = ["decided", "given up", "waits", "open"]
    opened = names.to_h { |name| [name, prescribe(make_athlete(name: name).tap { |one| make_pause(one) })] }
    done = run_set(opened["decided"])
    Windlass::Records::Move.create!(
      account_id: account.id,
      prescription: opened["decided"],
      session: done,
      local_date: today,
      verdict: "repeat",
      decided: "repeat",
      reasons: [],
      dose_before: done.dose,
      dose_after: done.dose,
      decided_at: clock.now
    )
    run_set(opened["given up"]).update!(given_up: true)
    opened["waits"].update!(state: "quiet", quiet_since: clock.now)

    ground = Windlass::Presenters::Desk::Ground.new(account, now: clock.now)
    expect(Windlass::Presenters::Desk::Openings.new(ground).rows.map(&:name)).to eq ["open"]
  end
end
