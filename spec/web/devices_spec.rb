# frozen_string_literal: true

require "web_helper"

# Several devices on one session: who follows, and who ran the same.
RSpec.describe "Several devices", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:session) { plan(prescribe(athlete)) }
  let(:twin) { Windlass::Records::Session.find_by(twin_of: session) }

  def ran(device, at: "0", **changes) =
    send_json(
      "/sessions/#{session.uuid}/events",
      {device: device * 16, events: journal(session, **changes).map { |event| event.merge(ago_ms: at.to_i) }}
    )

  it "keeps what two devices ran of the same as two, judges neither, and lets the coach say which it was" do
    session.update!(planned_at: clock.now - 7200)
    2.times { |time| ran("a", at: (3_600_000 - time).to_s) }
    ran("b", breaths: {2 => "gasp"})
    get("/sessions/#{session.uuid}")

    expect([session.reload.rounds.count, twin.rounds.count, session.started_at]).to eq [13, 13, clock.now - 3600]
    expect(text).to include("Two devices ran this session.", "13 holds, 1:05 in all, to the end")
    expect(page.at("#accept")).to be_nil
    get("/")
    expect(text).to include("Two devices ran small holds of today. Which of them was it?")

    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/twins", was: twin.uuid)
    expect([session.reload.discarded_at.nil?, twin.reload.discarded_at.nil?]).to eq [false, true]
    get("/sessions/#{twin.uuid}")
    expect(text).not_to include("Two devices")
    third =
      session.class.create!(
        session
          .attributes
          .except("id")
          .merge("uuid" => SecureRandom.uuid, "twin_of_id" => session.id, "twin_settled" => false)
      )
    open = Windlass::Queries::Twins.method(:open?)
    expect(
      [
        open[session],
        open[twin],
        open[third],
        open[session, third],
        open[run_set(prescribe(make_athlete(name: "Odd").tap { |one| make_pause(one) }))]
      ]
    ).to eq [true, true, true, true, false]
    third.destroy!
    submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/twins", was: "nonsense")
    expect(text).to include("No second device ran this session.")
  end

  it "takes a first breath that is rated later, and an emergency, from any device" do
    ran("a")
    send_json(
      "/sessions/#{session.uuid}/events",
      {device: "c" * 16, events: [{uuid: SecureRandom.uuid, kind: "emergency", at_ms: 9}]}
    )

    expect(twin).to be_nil
    expect(session.journal_events.where(kind: "emergency").count).to eq 1
  end

  it "tells a second screen where the run stood when its deck last said so; what is no such thing is passed over" do
    send_json("/sessions/#{session.uuid}/events", {device: "a" * 16, events: [], state: {index: 3, at: 12_000}})
    clock.now += 5
    get("/sessions/#{session.uuid}/told")
    expect(JSON.parse(last_response.body)).to eq(
      "lanes" => [{"state" => {"index" => 3, "at" => 12_000}, "age_ms" => 5_000, "stopped" => false}]
    )

    send_json("/sessions/#{session.uuid}/events", {device: "zz", events: [], state: {index: "x" * 30_000}})
    expect([last_response.status, session.reload.told]).to eq [200, {"index" => 3, "at" => 12_000}]
    get("/sessions/#{session.uuid}/follow")
    expect(page.css("button, form, input")).to be_empty
  end

  it "keeps symptoms and effort that were noted on the deck, and what the day's questions said there" do
    Windlass::Records::Day.where(athlete_id: session.athlete_id).delete_all
    send_json(
      "/sessions/#{session.uuid}/events",
      {
        events:
          [
            %w[asked nothing],
            ["start", nil],
            %w[symptom panic.3],
            %w[effort 4],
            %w[effort 7],
            %w[symptom panic.9]
          ].each_with_index.map do |(kind, value), at|
            {uuid: SecureRandom.uuid, kind: kind, at_ms: at * 1000, value: value}.compact
          end
      }
    )

    expect(JSON.parse(last_response.body)["refused"].map { |one| one["why"] }).to eq ["value does not go with symptom"]
    expect([session.reload.symptoms, session.effort, athlete.reload.control_pause_use, athlete.days.count]).to eq [
      ["panic"],
      7.0,
      "paused",
      1
    ]
  end
end
