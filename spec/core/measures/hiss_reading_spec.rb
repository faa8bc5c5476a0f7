# frozen_string_literal: true

# deck.md, the microphone: worked by hand, a level every 50 ms.
RSpec.describe Windlass::Measures::HissReading do
  def read(levels, tempo: 60, step_s: 0.05) = described_class.of(levels, step_s: step_s, tempo: tempo)

  room, loud = [-62] * 30, -30

  it "begins where it is 12 dB over the second before for 150 ms, and ends where it is 6 dB under its median for 300" do
    heard = read(room + [loud] * 160 + [-37] * 6 + [loud] * 20 + [-62] * 20, tempo: 66)

    expect(heard).to have_attributes(
      onset_s: 1.5, end_s: 9.5, seconds: 8.0, beats: 8.8, evenness_db: 0.0, flickers: 0, drift_db_s: 0.0,
      in_words: "even"
    )
    expect(read(room + [loud] * 2 + room).found?).to be false
    expect(read(room + [-51] * 100).found?).to be false
    expect(read(room + [-50] * 100)).to have_attributes(onset_s: 1.5, end_s: 6.5)
  end

  it "counts dips under 300 ms as flickers, and no longer ones" do
    dips = [1, 5, 6].map { |steps| read(room + [loud] * 60 + [-35] * steps + [loud] * 60 + [-62] * 10) }

    expect(dips.map { |heard| [heard.flickers, heard.seconds] }).to eq [[1, 6.05], [1, 6.25], [0, 6.3]]
    expect(read(room + [loud] * 40 + [-62] * 5 + [loud] * 40 + [-62] * 9)).to have_attributes(
      flickers: 1,
      in_words: "flickering"
    )
  end

  it "says how it fades, and is deaf to a fan that stopped before" do
    fading = (0...160).map { |step| -30 - step * 0.05 * 0.6 }

    expect(read(room + fading + [-62] * 10)).to have_attributes(
      drift_db_s: be_within(1e-9).of(-0.6),
      in_words: "fading",
      flickers: 0
    )
    expect(read([-40] * 60 + room + [loud] * 100 + [-62] * 10).onset_s).to eq 4.5
    expect(read([])).to have_attributes(described_class.nothing.to_h)
  end
end
