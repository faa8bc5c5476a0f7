# frozen_string_literal: true

# A squad before it begins, counted by hand.
RSpec.describe Windlass::Squad::LineUp do
  lanes =
    [["a", [[10, 20], [60, 20]], "b"], ["b", [[15, 20]], "a"], ["c", [[100, 30]], nil]].map do |id, holds, pair|
      Windlass::Squad::Lane.new(id: id, seconds: 140, holds: holds, pair: pair)
    end
      .freeze

  it "puts first breaths on one rule and marks what comes less than the gap apart; exactly the gap is none" do
    breaths = described_class.new(lanes, [0, 3, 0], gap_s: 8).first_breaths

    expect(breaths.map { |breath| [breath.at_s, breath.lane, breath.clash] }).to eq [
      [30, 0, false],
      [38, 1, false],
      [80, 0, false],
      [130, 2, false]
    ]
    expect(described_class.new(lanes, [0, 2, 0], gap_s: 8).first_breaths.map(&:clash)).to eq [true, true, false, false]
    expect(described_class.new(lanes, [0, 2, 0], gap_s: 8).collisions).to eq 1
  end

  it "marks those of many that have another lane's beside them, and no others" do
    random = Random.new(3)
    20.times do
      many =
        (0...random.rand(2..8)).map do |number|
          Windlass::Squad::Lane.new(
            id: number.to_s,
            seconds: 900,
            holds: Array.new(random.rand(0..9)) { |round| [90 * round + random.rand(0..60), random.rand(5..20)] }
          )
        end
      starts = many.map { random.rand(0..30) }
      breaths = described_class.new(many, starts, gap_s: 6).first_breaths
      beside = breaths.map { |one| breaths.any? { |other| other.lane != one.lane && (other.at_s - one.at_s).abs < 6 } }
      expect([breaths.map(&:clash), breaths.map(&:at_s)]).to eq [beside, breaths.map(&:at_s).sort]
    end
  end

  it "says for how long a pair holds together, when all are done, and what would be too late" do
    line_up = described_class.new(lanes, [0, 3, 25])

    expect(line_up.overlaps.map(&:to_h)).to eq [{lanes: [0, 1], seconds: 12}]
    expect([line_up.ends_s, line_up.too_late(2), line_up.too_late(3)]).to eq [165, {2 => 1}, {}]
  end
end
