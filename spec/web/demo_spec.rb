# frozen_string_literal: true

require "web_helper"
require_relative "../../db/demo/people"
require_relative "../../db/demo/scenario"

RSpec.describe "Kestrel Quay", :web do
  def load(now = WebHelpers::NOON, people: Windlass::Demo::PEOPLE.values_at(1, 9, 10, 13))
    Windlass::Demo::Scenario.clear
    Windlass::Demo::Scenario.load(now: now, people: people)
  end

  def scores =
    Windlass::Records::Measure.joins(:athlete).order(:id).pluck("athletes.name", :value, :ended_by, :first_breath)

  it "comes out the same for the same seed, and moves with today" do
    one = Many.short(Windlass::Demo::PEOPLE.values_at(9))
    load(people: one)
    first, newest = scores, Windlass::Records::Measure.maximum(:taken_at)
    load(people: one)
    expect(scores).to eq first
    load(WebHelpers::NOON + 10 * 86_400, people: one)

    expect(scores).to eq first
    expect(Windlass::Records::Measure.maximum(:taken_at) - newest).to eq 10 * 86_400
  end

  it "leaves nothing behind, whatever was done in it: a phone bound, links made, somebody erased" do
    load(people: Many.short(Windlass::Demo::PEOPLE.values_at(1, 9, 10, 13)))
    maren = WebHelpers.keeper
    first, last = Windlass::Records::Athlete.order(:id).to_a.values_at(0, -1)
    Windlass::Actions::BindDevice.link(first, by: maren, now: clock.now)
    Windlass::Actions::BindDevice.call(Windlass::Records::Device.sole, name: "a phone", now: clock.now)
    Windlass::Actions::KeepConsent.link(first, by: maren, now: clock.now)
    Windlass::Actions::AskClinician.call(first, by: maren, now: clock.now)
    Windlass::Actions::LaySets.call(first, now: clock.now)
    felt = {uuid: SecureRandom.uuid, symptom: "chest_pain", strength: 3, felt_on: clock.now.to_date}
    Windlass::Actions::TellComplaint.call(first, felt, now: clock.now)
    last.update!(left_on: clock.now.to_date)
    Windlass::Actions::EraseAthlete.call(last, by: maren, now: clock.now)

    Windlass::Demo::People.clear
    Windlass::Demo::Scenario.clear
    connection = Windlass::Records::Record.connection
    kept = %w[accounts schema_migrations ar_internal_metadata]
    left = (connection.tables - kept).select { |table| connection.select_value("SELECT count(*) FROM #{table}") > 0 }
    expect(left).to eq []
  end

  it "has no score in the future, even just after midnight" do
    load(Time.new(2026, 3, 2, 0, 5), people: Many.short(Windlass::Demo::PEOPLE.values_at(1)))
    expect(Windlass::Records::Measure.maximum(:taken_at)).to be <= Time.new(2026, 3, 2, 0, 5)
  end

  it "tells of a bad week, a lay-off, an anxious one, and an untrained one with a long score" do
    load
    night_shifts, snorer, anxious, away = Windlass::Records::Athlete.order(:id).to_a
    mean = ->(athlete, days) do
      athlete
        .measures
        .where(
          kind: "control_pause",
          taken_at: (WebHelpers::NOON - (days.max + 0.5) * 86_400)..(WebHelpers::NOON - (days.min - 0.5) * 86_400)
        )
        .average(:value)
    end

    expect(mean[night_shifts, 7..9]).to be < 0.8 * mean[night_shifts, 10..30]
    expect(away.sessions.where(local_date: (Builders::MONDAY - 33)..(Builders::MONDAY - 16))).to be_empty
    expect(anxious.measures.where(ended_by: "anxiety").count).to be > anxious.measures.count / 3
    reading = Windlass::Presenters::AthletePauses.reading(snorer.measures.where("value >= 40").last)
    expect(reading.sentences.join).to include "it can be sleep apnoea"
  end

  it "moves athletes only as the judge says: every dose of the log is a rung of a ladder" do
    load(people: Many.short(Windlass::Demo::PEOPLE.values_at(0, 8)))
    moves = Windlass::Records::Move.all.to_a
    expect(moves.map { |move| move.prescription.protocol }.uniq).to include("small-holds", "co2-table", "hiss-ladder")

    expect(moves.map(&:verdict).uniq).to include("advance", "repeat")
    expect(moves).to all(
      satisfy { |move| move.verdict == move.decided && move.reasons.first["verdict"] == move.verdict }
    )
    advanced = moves.select { |move| move.verdict == "advance" }
    changes = advanced.map { |move| move.dose_after.count { |key, value| move.dose_before[key] != value } }
    expect(changes.uniq).to eq [1]
  end

  it "lists forty people of four kinds, none of whom shares a name" do
    people = Windlass::Demo::PEOPLE
    kinds = [
      %w[freediving spearfishing],
      %w[surfing rescue],
      %w[singing],
      ["wind instrument", "everyday breathing", "rowing"]
    ]

    expect(people.map { |person| person["name"] }.uniq.size).to eq 40
    expect(kinds.map { |kind| people.count { |person| person["disciplines"].intersect?(kind) } }).to all(be >= 3)
  end
end
