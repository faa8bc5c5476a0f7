# frozen_string_literal: true

# The surface clock: figures of the design, counted by hand.
RSpec.describe Windlass::Water::Surface do
  ten = Time.utc(2026, 3, 2, 10)
  dive = ->(seconds, depth_m: nil, hard: false, at: 0) do
    Windlass::Water::Dive.new(down: ten + at, seconds: seconds, depth_m: depth_m, hard: hard)
  end

  it "needs the largest of twice the dive, a minute, and a fifth of the depth in minutes from 20 m on; half as much " \
    "again after a hard one" do
    needed =
      [
        dive[65, depth_m: 12],
        dive[20],
        dive[60, depth_m: 20],
        dive[60, depth_m: 19.9],
        dive[90, depth_m: 30],
        dive[90, depth_m: 30, hard: true]
      ].map { |one| described_class.needed_s(one) }

    expect(needed).to eq [130, 60, 240, 120, 360, 540]
    expect(described_class.needed_s(dive[20, hard: true], margin: 1.5)).to eq 135
  end

  it "flags what was begun too early, and says when the next may begin; exactly enough is enough" do
    dives = [dive[60], dive[30, at: 180], dive[30, at: 269]]

    expect(described_class.rests(dives).map { |one| [one.rest_before_s, one.short] }).to eq [
      [nil, false],
      [120, false],
      [59, true]
    ]
    expect(described_class.earliest_next(dives)).to eq ten + 269 + 30 + 60
    expect(described_class.earliest_next([])).to be_nil
  end
end
