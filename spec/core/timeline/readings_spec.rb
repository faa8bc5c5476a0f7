# frozen_string_literal: true

RSpec.describe Windlass::Timeline::Readings do
  def event(kind, at_s, **more) = Windlass::Timeline::Event.new(kind: kind, at_ms: at_s * 1000, **more)

  let(:hold) { [event(:hold_start, 100, round: 1), event(:hold_end, 160, round: 1)] }

  def readings(seconds, &percent) =
    described_class.new(hold + seconds.map { |at| event(:oximeter, at, value: percent ? percent[at] : 97) })

  it "takes a low that comes late to the finger, and none from before" do
    seen = readings(90..200) { |at| {115 => 70, 185 => 91}.fetch(at, 97) }

    expect(seen.low(100_000, 160_000)).to eq 0.91
    expect(seen.torn).to be_empty
  end

  it "names a low beside which readings are missing: within the hold, or because nobody looked to its end" do
    dropped = [*121..150, *157..191]

    expect(readings(dropped).torn).to eq({1 => 0.97})
    expect(readings(dropped + [154]).torn).to be_empty
    expect(readings(121..180).torn).to eq({1 => 0.97})
    expect(described_class.new(hold).torn).to be_empty
  end
end
