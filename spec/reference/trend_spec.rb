# frozen_string_literal: true

require "open3"

# The robust slope and its interval against SciPy's theilslopes, on random and on tied data.
RSpec.describe Windlass::Trends::TheilSen do
  program =
    "import json, sys; from scipy.stats import theilslopes; " \
      "print(json.dumps([list(map(float, theilslopes([p[1] for p in s], [p[0] for p in s], 0.95))) for s in " \
      "json.load(sys.stdin)]))"

  def theilslopes(sets, program)
    output, status = Open3.capture2("/usr/bin/python3", "-c", program, stdin_data: JSON.generate(sets))
    raise "SciPy failed" unless status.success?

    JSON.parse(output)
  end

  it "agrees with the reference library" do
    random = Random.new(11)
    loose =
      Array.new(20) { Array.new(random.rand(6..45)) { |x| [x + random.rand, 20 + 0.1 * x + random.rand(-4.0..4.0)] } }
    tied = Array.new(20) { Array.new(random.rand(6..45)) { [random.rand(12), random.rand(5)] } }
    sets = loose + tied

    theilslopes(sets, program)
      .zip(sets)
      .each do |(slope, _, low, high), points|
        expect(described_class.slope(points)).to have_attributes(
          slope: be_within(1e-9).of(slope),
          low: be_within(1e-9).of(low),
          high: be_within(1e-9).of(high)
        )
      end
  end

  it "is exact on a line, deaf to a stray point, and nothing where there is no time" do
    line = (0..9).map { |x| [x, 3 + 2 * x] }

    expect(described_class.slope(line)).to have_attributes(slope: 2.0, clear?: true)
    expect(described_class.slope(line + [[10, -500]]).slope).to eq 2.0
    expect(described_class.slope([[1, 2], [1, 3]])).to be_nil
  end

  it "speaks of a change of the control pause only where there is one" do
    monday = Builders::MONDAY
    series = ->(scores) do
      Windlass::Measures::MorningSeries.new(
        scores.each_with_index.map { |seconds, ago| control_pause(seconds, on: monday - ago) }
      )
    end

    expect(series[(0..20).map { |ago| 30 - ago / 7.0 }].trend(monday)).to have_attributes(
      slope: be_within(1e-9).of(1),
      clear?: true
    )
    expect(series[[24, 26, 23, 27, 25, 24, 26, 25]].trend(monday)).not_to be_clear
    expect(series[[24, 25, 26, 27, 28]].trend(monday)).to be_nil
  end
end

# The difference of two samples: its interval holds exactly the shifts that SciPy's rank-sum test (mannwhitneyu,
# asymptotic) does not reject at 5 %.
RSpec.describe Windlass::Trends::HodgesLehmann do
  program =
    "import json, sys, numpy as np; from scipy.stats import mannwhitneyu; " \
      "p = lambda a, b, d: float(mannwhitneyu(np.array(a) - d, b, method='asymptotic', " \
      "use_continuity=False).pvalue); " \
      "print(json.dumps([[float(np.median(np.subtract.outer(a, b))), p(a, b, l - 1e-7), p(a, b, l + 1e-7), p(a, b, " \
      "h - 1e-7), p(a, b, h + 1e-7)] for a, b, l, h in json.load(sys.stdin)]))"

  it "agrees with the reference library" do
    random = Random.new(5)
    sets = Array.new(25) { [6, 6].map { |least| Array.new(random.rand(least..24)) { 20 + random.rand * 9 } } }
    found = sets.map { |one, other| described_class.difference(one, other) }
    output, status =
      Open3.capture2(
        "/usr/bin/python3",
        "-c",
        program,
        stdin_data:
          JSON.generate(
            sets.zip(found).map { |(one, other), difference| [one, other, difference.low, difference.high] }
          )
      )
    raise "SciPy failed" unless status.success?

    JSON
      .parse(output)
      .zip(found) do |(median, below_low, above_low, below_high, above_high), difference|
        expect(difference.difference).to be_within(1e-9).of(median)
        expect([below_low < 0.05, above_low > 0.05, below_high > 0.05, above_high < 0.05]).to all(be true)
      end
  end

  it "says lower only where the whole interval is" do
    lower, same = [20, 21, 19, 20.5, 19.5, 20.2], [24, 25, 26, 24.5, 25.5, 23.9]

    expect(
      [described_class.difference(lower, same), described_class.difference(same, same)].map(&:clearly_lower?)
    ).to eq [true, false]
    expect(described_class.difference([], same)).to be_nil
  end
end
