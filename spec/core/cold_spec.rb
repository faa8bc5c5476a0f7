# frozen_string_literal: true

# Handbook F17. Common practice, no source.
RSpec.describe Windlass::Cold do
  def times(*calm, stage: 0, why_out: "done") =
    calm.map { |one| described_class::Time.new(stage: stage, calm: one, why_out: why_out) }

  it "opens a stage once the one before was calm three times running, and keeps it" do
    logs = [
      [],
      times(true, true),
      times(true, true, false, true),
      times(true, true, true),
      times(true, true, true, false),
      times(true, true, true, why_out: "pain"),
      times(true, true, true) + times(true, true, true, stage: 1)
    ]

    expect(logs.map { |log| described_class.open_stage(log) }).to eq [0, 0, 0, 1, 1, 0, 2]
    expect(
      described_class.in_words(times(true, true))
    ).to eq "Stage 1 of 4: a warm shower ended cold. 2 of 3 calm sessions in a row toward the next."
  end

  it "has walls of its own: twelve hours after over-breathing, an hour from holds, somebody beside, not under age" do
    core = Windlass::Progression
    now = Time.new(2026, 3, 16, 12)
    past = ->(id, hours) { core::Outline.new(id: id, date: now.to_date, protocol: id, ended_at: now - hours * 3600) }
    ready = ->(id = "cold", age: 30, watcher: "Ada", history: []) do
      screen =
        Windlass::Screening::Screen.new(answered_on: now.to_date - 9, age: age, guardian_consent_on: now.to_date - 9)
      core::Readiness
        .of(
          core::Situation.new(
            date: now.to_date,
            now: now,
            activity: core.activity(id),
            screen: screen,
            watcher: watcher,
            history: history
          )
        )
        .reasons
        .map(&:rule)
    end

    expect(
      [
        ready[],
        ready[history: [past["bellows", 11]]],
        ready[history: [past["small-holds", 0.5]]],
        ready[history: [past["small-holds", 2]]],
        ready[watcher: nil],
        ready[age: 17]
      ]
    ).to eq [[], ["block.water"], ["block.cold"], [], ["block.buddy"], ["block.screening"]]
    expect(
      [ready["small-holds", history: [past["cold", 0.5]]], ready["quiet-breathing", history: [past["cold", 0.5]]]]
    ).to eq [["block.cold"], []]
  end
end
