# frozen_string_literal: true

require "web_helper"

RSpec.describe "Measures that act, and cold", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:address) { "/athletes/#{athlete.id}/cold" }

  def log(**more) =
    submit(
      address,
      address,
      stage: "1",
      minutes: "2",
      calm: "true",
      why_out: "done",
      watcher: "Ada",
      taken_on: clock.now.to_date.to_s,
      **more
    )

  it "logs cold once, keeps what was typed, opens a stage when the one before was calm, and writes down what came " \
    "too early or alone" do
    log(minutes: "900")
    expect([last_response.status, page.at("#minutes")["value"], text]).to match [
      422,
      "900",
      /900 is not allowed; allowed: 0.5 to 60/
    ]
    3.times { |ago| log(taken_on: (clock.now.to_date - ago).to_s) }
    get(address)

    expect(
      [
        athlete.colds.count,
        page.css("tbody tr").size,
        page.css("input[name=stage] + span").map(&:text).grep(/not open yet/).size
      ]
    ).to eq [3, 3, 2]
    3.times { log(stage: "4", watcher: "") }
    follow_redirect!
    expect(
      text
    ).to include "It counts toward no stage. Stage 4 opens once stage 2 was calm 3 times in a row. Nobody is named " \
      "who was beside."
    expect(Windlass::Cold.open_stage(athlete.colds.reload.map(&:to_core))).to eq 1
    log(watcher: "")
    expect(athlete.colds.reload.last.caution).to eq ""
  end

  it "keeps cold an hour from holds and twelve from over-breathing, both ways" do
    holds = prescribe(athlete)
    run_set(holds).update!(ended_at: clock.now - 600)
    get(address)
    expect(text).to include "Small holds less than an hour ago: cold and holds are never combined"
    log
    expect(athlete.colds.sole.caution).to eq "Small holds less than an hour ago: cold and holds are never combined."
    clock.now += 3600
    log
    clock.now += 600
    get("/prescriptions/#{holds.id}")
    expect(text).to include "Cold less than an hour ago"
  end

  it "lets quiet breathing and drills only where the movement is at fault, until it is seen well" do
    holds = prescribe(athlete)
    fields =
      Windlass::Measures.kind("breathing_movement").fields.to_h { |field| [field.key.to_s, field.choices.keys.first] }
    measure = ->(at, **more) do
      athlete.measures.create!(
        account_id: account.id,
        uuid: SecureRandom.uuid,
        kind: "breathing_movement",
        value: 3,
        details: fields.merge(more.transform_keys(&:to_s)),
        taken_at: at
      )
    end
    measure[clock.now - 9000, prone_paradoxical: "yes"]
    drill = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("belly-drill"), now: clock.now)
    get("/prescriptions/#{holds.id}")
    expect(text).to include "Not today.",
      "Paradoxical breathing: the belly sinks as the chest rises.",
      "Until the breathing movement is seen well."
    get("/prescriptions/#{drill.id}")
    expect(text).not_to include "Paradoxical"
    measure[clock.now - 60]
    get("/prescriptions/#{holds.id}")
    expect(text).not_to include "Paradoxical"
  end

  it "asks again for a paused control pause when its day has come" do
    form = {
      name: athlete.name, born_on: "1995-04-01", sex: "female", height_cm: "169", mass_kg: "61",
      control_pause_use: "paused", nervous: "false", sleep_signs: "false"
    }
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}", form)
    expect(athlete.reload.control_pause_again_on).to eq clock.now.to_date + 28
    get("/")
    expect(text).not_to include "The control pause was paused"
    clock.now += 28 * 86_400
    get("/")
    expect(text).to include "The control pause was paused: try it again, or pause it longer"
  end

  it "marks the days of over-breathing on the chart, and says whether the mornings after them are lower" do
    bellows =
      Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("bellows"), now: clock.now - 40 * 86_400)
    (1..14).each do |ago|
      make_pause(athlete, ago.odd? ? 19 + ago / 10.0 : 25 + ago / 10.0, at: WebHelpers::NOON - ago * 86_400 - 5 * 3600)
    end
    (1..7).each { |pair| run_set(bellows, at: clock.now - 2 * pair * 86_400) }
    get("/athletes/#{athlete.id}")

    expect(page.css("path.over-mark").size).to eq 8
    expect(text).to match(
      /Mornings after over-breathing: -\d\.\d s \(.*\) against the others, 7 and \d of them\. They are lower/
    )
  end
end
