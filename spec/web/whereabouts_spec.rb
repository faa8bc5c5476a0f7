# frozen_string_literal: true

require "web_helper"

RSpec.describe "Who wants a look", :web, :both_databases do
  let(:today) { clock.now.to_date }
  let(:names) { %w[Ada Bo Cy] }
  let!(:athletes) { names.map { |name| make_athlete(name: name).tap { |one| make_pause(one) } } }

  # @param days [Array<Integer>] so many days ago something was done
  # @param moves [Hash{Integer => String}] what was decided so many days ago
  def trained(athlete, days, moves = {})
    prescription = prescribe(athlete).tap { |one| one.update_columns(started_on: today - 100) }
    sessions =
      days.map do |ago|
        plan(prescription).tap do |one|
          at = clock.now - ago * 86_400
          one.update_columns(
            local_date: today - ago, state: "done", done_ms: 60_000, planned_at: at, started_at: at, ended_at: at + 60
          )
        end
      end
    moves.each do |ago, decided|
      prescription.sessions.last.then do |session|
        Windlass::Records::Move.create!(
          account_id: account.id, prescription: prescription, session: session, local_date: today - ago,
          verdict: decided, decided: decided, reasons: [], dose_before: session.dose, decided_at: clock.now
        )
      end
    end
    sessions
  end

  def looked_at = get("/").then { page.css("[aria-labelledby=look] li").map { |row| row.text.split.join(" ") } }

  it "stands on Today, and goes when they come, or said that they would not" do
    trained(athletes[0], [12])
    trained(athletes[1], [1, 2, 3], {1 => "ease", 3 => "ease"})
    trained(athletes[2], (1..9).to_a)
    expect(looked_at).to eq [
      "Ada Away: not come for 12 days Open", "Bo Slides: 0 steps up, 2 down in four weeks Open",
      "Cy Stuck: 9 training days in six weeks, no step up in half a year Open"
    ]

    Windlass::Records::Absence.create!(athlete: athletes[0], from_on: today - 1, to_on: today + 3)
    trained(athletes[2], [], {2 => "advance"})
    expect(looked_at).to eq ["Bo Slides: 0 steps up, 2 down in four weeks Open"]
  end

  it "stands in the columns of Athletes, which sort by it; who trains nothing comes last" do
    trained(athletes[0], [4], {20 => "advance"})
    trained(athletes[1], [3, 2], {4 => "ease", 30 => "advance"})
    rows = ->(order) { get("/athletes?order=#{order}").then { page.css("tbody tr").map { |row| row.text.split } } }

    expect(rows["step"].map(&:first)).to eq %w[Bo Ada Cy]
    expect(rows["down"].map(&:first)).to eq %w[Bo Ada Cy]
    expect(rows["name"].map { |row| row.last(10).join(" ") }).to match [
      /1 day, 1 up, 0 down 10 Feb 26 Feb\z/, /2 days, 1 up, 1 down 31 Jan 28 Feb\z/, /prescription – – –\z/
    ]
  end
end
