# frozen_string_literal: true

require "web_helper"

# What is prescribed says what it ends, and what has ended is run no more.
RSpec.describe "Prescribing", :web, :both_databases do
  let(:athlete) { make_athlete }
  let(:bellows) { {gear_s: "15", hold_s: "20", rounds: "1"} }
  let!(:ladder) do
    Windlass::Actions::Prescribe
      .call(athlete, Windlass::Protocols.find("bellows"), now: clock.now)
      .tap { |one| one.update!(dose: {gear_s: 15, hold_s: 20, rounds: 3}) }
  end

  def prescribe_dose(way, **more) =
    submit(
      "/protocols/bellows?athlete_id=#{athlete.id}",
      "/protocols/bellows/#{way}",
      athlete_id: athlete.id,
      dose: bellows,
      **more
    )

  it "says what it would end, ends nothing unsaid, and can be taken back" do
    get("/protocols/bellows?athlete_id=#{athlete.id}&dose[gear_s]=15&dose[hold_s]=20&dose[rounds]=1")
    expect(page.css("section.keep button").map { |button| button.text.split.join(" ") }.first(2)).to eq [
      "Run it once, keep the ladder",
      "Prescribe: ends bellows rounds, rung 3 of 8, since 2 March 2026"
    ]

    prescribe_dose("prescriptions")
    expect([last_response.status, text, ladder.reload.state]).to match [
      422,
      /It would end Bellows rounds, rung 3 of 8, since 2 March 2026/,
      "active"
    ]

    prescribe_dose("prescriptions", ends: ladder.id)
    follow_redirect!
    expect([text, ladder.reload.state]).to match [/Bellows rounds is prescribed. Bellows rounds is ended./, "ended"]
    submit(
      "/prescriptions/#{athlete.prescriptions.open.sole.id}",
      "/prescriptions/#{athlete.prescriptions.open.sole.id}/withdraw"
    )
    expect([ladder.reload.state, athlete.prescriptions.open.count]).to eq ["active", 1]
  end

  it "runs a dose once beside the ladder: the session is noted, counts in no row, and the ladder stays where it is" do
    2.times { prescribe_dose("once") }
    once = athlete.prescriptions.find_by(run_once: true)
    run_set(once)
    get("/prescriptions/#{once.id}")

    expect([athlete.prescriptions.count, text]).to match [
      2,
      /It was to be run once, and was: nothing of it is run any more/
    ]
    expect(Windlass::Queries::StillOpen.noted?(once, clock.now.to_date)).to be true
    expect(
      Windlass::Records::Session.core_sets(athlete.id, clock.now.to_date..clock.now.to_date).values.map(&:once)
    ).to eq [true]
    expect(ladder.reload.dose["rounds"]).to eq 3
  end

  it "lets what has ended start nothing, nor be changed, and takes it up again" do
    session = plan(ladder)
    submit("/prescriptions/#{ladder.id}", "/prescriptions/#{ladder.id}/end")
    get("/prescriptions/#{ladder.id}")
    expect([text, page.css("#ask")]).to match [/This prescription is ended: nothing of it is run any more/, be_empty]

    submit("/athletes/#{athlete.id}", "/prescriptions/#{ladder.id}/sessions")
    expect(last_response.status).to eq 422
    submit("/athletes/#{athlete.id}", "/prescriptions/#{ladder.id}/limits")
    expect([last_response.status, text]).to match [422, /is ended/]
    get("/sessions/#{session.uuid}/deck")
    expect(last_response.status).to eq 303

    submit("/prescriptions/#{ladder.id}", "/prescriptions/#{ladder.id}/reopen")
    expect(ladder.reload.state).to eq "active"
  end

  it "gives nobody what the screening bars for good, and says before what waits for a clearance" do
    heart, asthma =
      %w[heart asthma].map do |condition|
        make_athlete(name: condition).tap do |one|
          one.screenings.create!(account_id: 1, answered_on: clock.now.to_date, conditions: [condition])
        end
      end
    asked = ->(whose) do
      get("/protocols/bellows?athlete_id=#{whose.id}&dose[gear_s]=15&dose[hold_s]=20&dose[rounds]=1") &&
        page.css("section.keep").first.text.split.join(" ")
    end

    expect(asked[heart]).to match(/Not for heart. .*blocked.\z/)
    expect(asked[asthma]).to include "It can be prescribed, and waits: record the missing clearance", "Prescribe"
    submit("/protocols", "/athletes/#{heart.id}/prescriptions", protocol: "bellows")
    expect([text, heart.prescriptions.count]).to match [/Bellows rounds is not for heart/, 0]
  end
end
