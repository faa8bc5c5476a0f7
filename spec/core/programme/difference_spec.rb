# frozen_string_literal: true

# What planning anew changes: which session of the new plan is which of the old one.
RSpec.describe Windlass::Programme::Difference do
  monday = Date.new(2026, 3, 2)
  before = Struct.new(:key, :date, :at)
  entry = Struct.new(:training, :date, :at)
  training = Struct.new(:key)

  define_method(:old) { |key, day, at = "07:00"| before.new(key, monday + day, at) }
  define_method(:planned) { |key, day, at = "07:00"| entry.new(training.new(key), monday + day, at) }
  define_method(:difference) do |from, to|
    described_class.new(from, Windlass::Programme::Plan.new(sessions: to, unplaced: [], weeks: []))
  end

  it "what lies where it lay is the same one, whatever else moves" do
    found = difference([old("a", 0), old("a", 2)], [planned("a", 2), planned("a", 4)])
    expect(found.moved.map { |one, to| [(one.date - monday).to_i, (to.date - monday).to_i] }).to eq [[0, 4]]
    expect([found.gone, found.fresh]).to eq [[], []]
  end

  it "what has no place any more goes, and what is new comes; one of another training is never meant" do
    found = difference([old("a", 0), old("b", 1)], [planned("b", 1), planned("c", 0)])
    expect([found.gone.map(&:key), found.fresh.map { |one| one.training.key }, found.moved]).to eq [["a"], ["c"], []]
  end

  it "the nearest one moves, and only within the days around it" do
    found = difference([old("a", 0), old("a", 5), old("a", 20)], [planned("a", 6)])
    expect(found.moved.map { |one, _| (one.date - monday).to_i }).to eq [5]
    expect(found.gone.map { |one| (one.date - monday).to_i }).to eq [0, 20]
    expect(
      difference([old("a", 0)], [planned("a", 7)]).then { |far| [far.moved, far.gone.size, far.fresh.size] }
    ).to eq [[], 1, 1]
  end

  it "the hour alone is a move, and two alike stay two" do
    found = difference([old("a", 0), old("a", 0)], [planned("a", 0, "18:00"), planned("a", 0)])
    expect(found.moved.map { |_, to| to.at }).to eq ["18:00"]
    expect(found.pairs.values.map(&:object_id).uniq.size).to eq 2
  end
end
