# frozen_string_literal: true

require "open3"

# The interval of the middle against SciPy: its binomial distribution says how often an interval between two values
# of a sample holds the true middle.
RSpec.describe Windlass::Trends::Centre do
  program =
    "import json, sys; from scipy.stats import binom; " \
      "print(json.dumps([[1 - 2 * binom.cdf(k - 1, n, 0.5), 1 - 2 * binom.cdf(k, n, 0.5)] for n, k in " \
      "json.load(sys.stdin)]))"

  it "holds it in 95 of 100 samples or more, and the next narrower one would not" do
    sizes = [*6..60, 200, 900, 1_100, 6_000, 20_000]
    # Of 1 to n the lowest value of the interval says its rank.
    ranks = sizes.map { |size| [size, described_class.of((1..size).to_a.shuffle(random: Random.new(size))).low] }
    output, = Open3.capture2("/usr/bin/python3", "-c", program, stdin_data: JSON.generate(ranks))

    JSON.parse(output).each do |held, narrower|
      expect(held).to be >= 0.95
      expect(narrower).to be < 0.95
    end
  end

  it "is even on both sides, and says nothing of fewer than six" do
    expect(described_class.of([1, 2, 3, 4, 5])).to be_nil
    expect(described_class.of([5, 1, 900, 3, 4, 2])).to have_attributes(median: 3.5, low: 1, high: 900, size: 6)
    expect(described_class.of((1..20).to_a)).to have_attributes(median: 10.5, low: 6, high: 15)
  end
end
