# frozen_string_literal: true

# How long to stay up, by properties: what makes a dive worse never makes the rest shorter.
RSpec.describe Windlass::Water::Surface do
  ten = Time.utc(2026, 3, 2, 10)
  random = Random.new(5)
  dives =
    Array.new(60) do
      Windlass::Water::Dive.new(
        down: ten,
        seconds: random.rand(1..240),
        depth_m: [nil, random.rand(0.0..45.0).round(1)].sample(random: random),
        hard: random.rand < 0.3
      )
    end

  it "is never shorter after a longer, deeper or harder dive, nor with more of a margin" do
    dives.each do |dive|
      needed = described_class.needed_s(dive)
      worse =
        [
          dive.with(seconds: dive.seconds + 20),
          dive.with(depth_m: dive.depth_m.to_f + 5),
          dive.with(hard: true)
        ].map { |one| described_class.needed_s(one) }

      expect([dive, worse, described_class.needed_s(dive, margin: 1.25)]).to match [
        dive,
        all(be >= needed),
        be_within(1e-6).of(needed * 1.25)
      ]
      expect(needed).to be >= [60, 2 * dive.seconds].max
    end
  end

  it "flags a dive exactly where it is begun before the moment that was said" do
    dives.each_cons(2) do |before, after|
      earliest = described_class.earliest_next([before])
      [-1, 0, 1].each do |late|
        rested = described_class.rests([before, after.with(down: earliest + late)]).last
        expect([rested.short, rested.rest_before_s]).to match [
          late < 0,
          be_within(1e-3).of(described_class.needed_s(before) + late)
        ]
      end
    end
  end
end
