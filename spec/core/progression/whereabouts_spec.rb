# frozen_string_literal: true

RSpec.describe Windlass::Progression::Whereabouts do
  today = Date.new(2026, 3, 2)
  trend = ->(**decided) do
    Windlass::Progression::TrainingTrend.read(decided: decided.transform_keys(&:to_s), days: 10, gasping: 0)
  end
  usual = {
    last_on: today - 1, days: 12, up: 2, down: 0, stepped_on: today - 9, since: today - 90, rises: 0,
    trend: trend[advance: 2]
  }.freeze

  def reasons(**changes) = described_class.new(**changes).reasons(on: Date.new(2026, 3, 2))

  it "has nothing to say of who comes and moves, and says each reason by itself: one never hides another" do
    away = {last_on: today - 10}
    slides = {trend: trend[ease: 2, advance: 1], down: 2}
    stuck = {up: 0, stepped_on: today - 50}
    each = [away, slides, stuck]

    expect(reasons(**usual)).to be_empty
    expect(each.map { |one| reasons(**usual, **one).keys }).to eq [[:away], [:slides], [:stuck]]
    expect(reasons(**usual, **away, **slides, **stuck).keys).to eq %i[away slides stuck]
    expect(reasons(**usual, **away, **slides, **stuck).values).to eq [
      "not come for 10 days", "1 step up, 2 down in four weeks",
      "12 training days in six weeks, the last step up 7 weeks ago"
    ]
  end

  it "waits before it says so: ten days, eight trainings, six weeks; who said that they are away is not missed" do
    expect(reasons(**usual, last_on: today - 9)).to be_empty
    expect(reasons(**usual, up: 0, days: 7)).to be_empty
    expect(reasons(**usual, up: 0, since: today - 41)).to be_empty
    expect(reasons(**usual, last_on: nil, since: today - 12).values).to eq ["prescribed 12 days ago, and never begun"]
    gone = described_class.new(**usual, last_on: today - 30)
    expect([gone.reasons(on: today).keys, gone.reasons(on: today, away: true)]).to eq [[:away], {}]
  end
end
