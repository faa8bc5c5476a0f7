# frozen_string_literal: true

require "web_helper"

# Charts without words: what they draw has to be what was.
RSpec.describe "Small charts" do
  describe Windlass::Presenters::Spark do
    today = Date.new(2026, 3, 2)

    def places(spark) = spark.ink.scan(/-?[\d.]+/).map(&:to_f).each_slice(2).to_a

    it "runs from twelve weeks ago at the left to today at the right, low below and high above" do
      spark = described_class.new([[today - 83, 20.0], [today - 40, 30.0], [today, 25.0]], today: today)
      (x0, low), (_, high), (x2, middle) = places(spark)
      expect([x0, x2]).to eq [3.0, 195.0]
      expect([low > middle, middle > high, middle]).to eq [true, true, (low + high) / 2]
      expect(spark.newest).to eq [x2, middle]
    end

    it "stands in the middle where there is one, or all are the same" do
      one = described_class.new([[today - 3, 24.0]], today: today)
      same = described_class.new([[today - 9, 24.0], [today, 24.0]], today: today)
      expect([one.newest.last, *places(same).map(&:last)].uniq).to eq [18.0]
    end
  end

  describe Windlass::Presenters::HoldStrip do
    round = Struct.new(:held_ms, :first_breath)

    it "has a stroke a hold, the longest the highest, the newest at the right; gasps have a mark, what was not held " \
      "none" do
      strip =
        described_class.new(
          [round.new(10_000, "smooth"), round.new(nil, nil), round.new(20_000, "gasp"), round.new(0, nil)]
        )
      expect(strip.strokes.scan(/M([\d.]+) 24V([\d.]+)/).map { |pair| pair.map(&:to_f) }).to eq [
        [100.0, 15.5],
        [107.0, 7.0]
      ]
      expect(strip.gasps).to start_with("M105.0 1").and(satisfy { |path| path.count("M") == 1 })
      expect([described_class.new([]), described_class.new([round.new(nil, nil)])]).to all be_empty
    end

    it "keeps a hundred holds inside its width" do
      strip = described_class.new(Array.new(100) { round.new(5_000, "smooth") })
      expect(strip.strokes.scan(/M([\d.]+)/).flatten.map(&:to_f).minmax).to match [
        be >= 0,
        be <= described_class::WIDTH
      ]
    end
  end
end
