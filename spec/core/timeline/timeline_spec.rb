# frozen_string_literal: true

RSpec.describe Windlass::Timeline do
  describe Windlass::Timeline::Allocation do
    it "splits any whole into even parts that sum to it" do
      [[100, 3, [34, 33, 33]], [299_999, 13, nil], [7, 9, nil], [0, 2, [0, 0]]].each do |total, parts, expected|
        split = described_class.even(total, parts)

        expect(split.sum).to eq total
        expect(split.max - split.min).to be <= 1
        expect(split).to eq expected if expected
      end
    end
  end

  describe Windlass::Timeline::Segment do
    it "goes into plain JSON keys and comes back the same" do
      segment =
        described_class.new(kind: :inhale, ms: 2_077, to: :easy, route: :nose, round: 3, phase: :work, cue: "In")
      plain = JSON.parse(JSON.generate(segment.to_h_plain))

      expect(plain).to include("kind" => "inhale", "seconds" => 2.077, "to" => "easy", "round" => 3)
      expect(plain.keys).not_to include("mets", "locks")
      expect(described_class.from_h_plain(plain)).to eq segment
    end
  end

  describe Windlass::Timeline::VolumeTrace do
    it "draws breaths from the passive level and holds flat at the level they start from" do
      compiled =
        Windlass::Timeline::Compiler.compile do |line|
          line.breathe(10, rate: 12)
          line.inhale(4, to: :full)
          line.hold(30)
        end
      points = described_class.points(compiled, body)

      expect(points.map(&:first)).to eq [0.0, 2.0, 5.0, 7.0, 10.0, 14.0, 44.0]
      expect(points.last(2).map(&:last)).to all(eq body.level_l(:full))
      expect(points[1].last - points[0].last).to be_within(1e-9).of(0.5)
    end
  end

  describe Windlass::Timeline::Replay do
    let(:compiled) { small_holds.compile({hold_s: 5, minutes: 5, sets: 2}) }

    def event(kind, at_ms, round: nil, value: nil)
      Windlass::Timeline::Event.new(kind: kind, at_ms: at_ms, round: round, value: value)
    end

    let(:events) do
      [
        event(:start, 0),
        event(:hold_start, 125_000, round: 1),
        event(:first_urge, 128_250, round: 1),
        event(:hold_end, 130_000, round: 1),
        event(:first_breath, 131_000, round: 1, value: :gasp),
        event(:first_breath, 131_800, round: 1, value: :deeper),
        event(:hold_start, 170_000, round: 3),
        event(:hold_end, 173_100, round: 3),
        event(:stop, 173_500)
      ]
    end

    it "makes rounds of events: times held, marks from the hold's start, the last word on a breath, and what was " \
      "skipped" do
      one, two, three = described_class.rounds(compiled, events)

      expect(one.to_h).to include(
        number: 1, target_ms: 5_000, held_ms: 5_000, first_urge_ms: 3_250, first_breath: :deeper
      )
      expect(two.to_h).to include(number: 2, held_ms: nil, skipped: true)
      expect(three.to_h).to include(number: 3, held_ms: 3_100, skipped: false, first_breath: nil)
    end

    it "does not care for order or for events that come twice" do
      expect(described_class.rounds(compiled, events.reverse + events)).to eq described_class.rounds(compiled, events)
    end
  end
end
