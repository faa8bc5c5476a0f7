# frozen_string_literal: true

# Handbook 4, F1, and progression.md 1. Common practice, no published source.
RSpec.describe Windlass::Protocols::SmallHolds do
  subject(:protocol) { described_class.new }

  it "doses the hold from the control pause: 5 s, or half of a score of 10 or less, in half seconds" do
    doses = [3, 7, 9.3, 10, 10.1, 60].to_h { |pause| [pause, protocol.start(measures(pause))[:hold_s]] }

    expect(doses).to eq({3 => 1.5, 7 => 3.5, 9.3 => 4.5, 10 => 5, 10.1 => 5, 60 => 5})
  end

  it "needs a control pause, but not where that measure is paused" do
    expect(protocol.start(measures(nil))).to be_nil
    expect(protocol.start(measures(nil, control_pause_paused: true))[:hold_s]).to eq 3
  end

  it "settles, then fills the set's minutes to the millisecond, with rests of 10 to 15 s, for every dose it can have" do
    [0.5, 3.5, 5, 7, 10].product([2.5, 5, 6, 8])
      .each do |hold_s, minutes|
        compiled = protocol.compile({hold_s: hold_s, minutes: minutes, sets: 2})
        settle, *work = compiled.segments
        rests = work.select { |segment| segment.phase == :rest }

        expect(work.sum(&:ms)).to eq minutes * 60_000
        expect(settle.to_h).to include(kind: :breathe, ms: 120_000, phase: :settle)
        expect(rests.map(&:ms)).to all(be_between(10_000, 15_000))
        expect(compiled.holds.map { |place| place.segment.ms }.uniq).to eq [hold_s * 1000]
        expect(compiled.holds.size).to eq protocol.rounds({hold_s: hold_s, minutes: minutes, sets: 1})
      end
  end

  it "goes in, out to the passive level, hold, breathe, in every round" do
    round = protocol.compile({hold_s: 5, minutes: 5, sets: 2}).segments.select { |segment| segment.round == 7 }

    expect(round.map { |segment| [segment.kind, segment.to, segment.phase] }).to eq [
      %i[inhale easy work],
      %i[exhale passive work],
      [:hold, nil, :work],
      [:breathe, nil, :rest]
    ]
  end
end
