# frozen_string_literal: true

# deck.md: with closed eyes left and right, in and out, nose and mouth can be told apart.
RSpec.describe Windlass::Timeline::Spoken do
  spoken = ->(kind, **details) { described_class.of(Windlass::Timeline::Segment.new(kind: kind, ms: 4000, **details)) }

  it "says what to do and by which side, and nothing where there is no time for it" do
    expect([spoken[:inhale, route: :left], spoken[:exhale, route: :right], spoken[:inhale, route: :mouth], spoken[:inhale, route: :nose], spoken[:hold], spoken[:exhale, sound: :hiss]])
      .to eq [%w[in left], %w[out right], %w[in mouth], %w[in], %w[hold], %w[hiss]]
    expect([spoken[:breathe, route: :both], spoken[:breathe, until: :word], spoken[:breathe, repetitions: 10], spoken[:breathe], spoken[:hold, ms: 900]]).to eq [%w[hand-down breathe], %w[wait], %w[go], %w[breathe], []]
    expect(["Let the lock go", "Last minute", "Softly now"].map { |words| described_class.of_call(words) }).to eq [["let-go"], ["last-minute"], []]
  end

  it "has a file for every word, and says nothing else, whatever the family" do
    files = Dir[File.expand_path("../../../app/public/voice/*.mp3", __dir__)].map { |path| File.basename(path, ".mp3") }
    said = Windlass::Protocols::ALL.flat_map { |family| family.compile(family.start(measures(25, maximal_hold_s: 120))).segments.flat_map { |segment| described_class.of(segment) } }

    expect(files).to match_array described_class::WORDS.keys
    expect(said.uniq - files).to eq []
  end

  it "says which round it is, of several, and the last one" do
    round = Windlass::Timeline::Segment.new(kind: :hold, ms: 5_000, round: 3)

    expect([described_class.of_round(round, 4), described_class.of_round(round, 3), described_class.of_round(round.with(round: 1), 1), described_class.of_round(round.with(round: 41), 60)]).to eq [%w[round 3], %w[round 3 last-round], [], []]
  end
end
