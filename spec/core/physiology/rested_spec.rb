# frozen_string_literal: true

require "windlass"

# A body settles once; whoever asks gets a twin of its own.
RSpec.describe "A settled body" do
  let(:physiology) { Windlass::Physiology }
  let(:body) { physiology::Body.new(sex: :female, age: 31, height_cm: 169, mass_kg: 61) }

  def gases(subject) = [subject.po2, subject.pco2, subject.saturation, subject.volume, subject.elapsed_s]

  it "is the same each time, whatever was done with the one before" do
    first = physiology::Subject.rested(body)
    settled = gases(first)
    first.hold(60)
    expect(gases(first)).not_to eq settled
    expect(gases(physiology::Subject.rested(body))).to eq settled
  end

  it "is another for another body, posture or step" do
    others =
      [body, body.with(posture: :lying), body.with(mass_kg: 80), body.with(thrift: 1.1)].map do |one|
        gases(physiology::Subject.rested(one).tap { |subject| subject.hold(40) })
      end
    expect(others.uniq.size).to eq 4
    fine = gases(physiology::Subject.rested(body, step_scale: 0.25).tap { |subject| subject.hold(40) })
    expect(fine.zip(others.first).map { |one, other| (one - other).abs }).to all(be < 0.05)
  end

  it "leaves caps as they are when they are asked for in another order" do
    before = [
      Windlass::Timeline::Segment.new(kind: :breathe, ms: 60_000, rate: 30, depth: 0.7),
      Windlass::Timeline::Segment.new(kind: :exhale, ms: 3_000, to: :passive)
    ]
    bodies = [body, body.with(mass_kg: 80)]
    caps = bodies.map { |one| physiology::Cap.seconds(one, before) }
    passive = bodies.map { |one| physiology::Cap.seconds(one, before, exhales_passively: true) }
    expect(bodies.reverse.map { |one| physiology::Cap.seconds(one, before) }).to eq caps.reverse
    expect(passive.zip(caps)).to all(satisfy { |more, less| more >= less })
  end
end
