# frozen_string_literal: true

# A pattern paced by heartbeat: deck.md, time.
RSpec.describe Windlass::Timeline::PacedByHeart do
  plan =
    Windlass::Timeline::Compiler.compile do |line|
      3.times do
        line.inhale(4, to: :easy, beats: 4)
        line.exhale(8, to: :passive, beats: 8, sound: :hiss)
        line.hold(4, beats: 4)
      end
    end

  def beat(round, value, at_ms) = Windlass::Timeline::Event.new(kind: :beat, at_ms: at_ms, round: round, value: value)

  it "times what is counted from the named part on, until the next beat; a sound keeps its tempo" do
    paced = described_class.of(plan, [beat(7, 40, 9_000), beat(4, 80, 5_000)])

    expect(paced.segments.map(&:ms)).to eq [4_000, 8_000, 4_000, 3_000, 8_000, 3_000, 6_000, 8_000, 6_000]
    expect(described_class.of(plan, [])).to equal plan
  end
end
