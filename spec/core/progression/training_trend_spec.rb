# frozen_string_literal: true

require "spec_helper"

RSpec.describe Windlass::Progression::TrainingTrend do
  subject(:read) do
    ->(decided = {}, days: 12, gasping: 0, **other) do
      described_class.read(decided: decided, days: days, gasping: gasping, **other)
    end
  end

  let(:rising) { Windlass::Trends::Slope.new(slope: 0.6, low: 0.2, high: 1.0) }
  let(:falling) { Windlass::Trends::Slope.new(slope: -0.6, low: -1.0, high: -0.2) }

  it "says one word and why" do
    expect(
      read.call({"advance" => 5, "ease" => 1}).in_words
    ).to eq "Up and down: 5 steps up, 1 down in four weeks; no gasp."
    expect(read.call({"advance" => 1}).in_words).to eq "Going well: 1 step up, none down in four weeks; no gasp."
    expect(
      read.call({"repeat" => 9}).in_words
    ).to eq "Holding steady: 12 training days in four weeks, no step; no gasp."
    expect(
      read.call({}, days: 3, gasping: 0).in_words
    ).to eq "Too early to say: 3 training days in four weeks, no step; no gasp."
    expect(read.call({}, days: 0).in_words).to eq "Too early to say: no session in four weeks."
    expect(
      read.call({"advance" => 2, "rest" => 1}).in_words
    ).to eq "Not going well: 2 steps up, 1 down, 1 of them to rest or stop, in four weeks; no gasp."
    expect(
      read.call({"advance" => 2, "ease" => 2}, gasping: 5).in_words
    ).to eq "Not going well: 2 steps up, 2 down in four weeks; gasps on 5 of 12 training days."
    expect(read.call({"advance" => 3}, stopped: true).state).to be :poorly
  end

  it "hears the mornings, and knows in whom a fall is progress" do
    expect([nil, rising, falling].map { |trend| read.call({}, trend: trend).state }).to eq %i[steady well mixed]
    expect([rising, falling].map { |trend| read.call({}, trend: trend, falls: true).state }).to eq %i[mixed well]
    expect(read.call({}, trend: falling.with(high: 0.1)).state).to be :steady
  end

  it "is never milder for one step down, one gasp or a falling morning more" do
    order = %i[early well steady mixed poorly]
    random = Random.new(7)
    300.times do
      decided = {"advance" => random.rand(5), "ease" => random.rand(4), "rest" => random.rand(12) / 11}
      days = random.rand(1..20)
      asked = {days: days, gasping: random.rand(days), trend: [nil, rising].sample(random: random)}
      worse = [
        read.call(decided.merge("ease" => decided["ease"] + 1), **asked),
        read.call(decided, **asked, gasping: asked[:gasping] + 1),
        read.call(decided, **asked, trend: falling),
        read.call(decided, **asked, stopped: true)
      ]
      expect(worse.map { |one| order.index(one.state) }).to all be >= order.index(read.call(decided, **asked).state)
    end
  end
end
