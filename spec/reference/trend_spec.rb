# frozen_string_literal: true

require "open3"

# The robust slope and its interval against SciPy's theilslopes, on random and on tied data.
RSpec.describe Windlass::Trends::TheilSen do
  program = "import json, sys; from scipy.stats import theilslopes; " \
    "print(json.dumps([list(map(float, theilslopes([p[1] for p in s], [p[0] for p in s], 0.95))) for s in json.load(sys.stdin)]))"

  def theilslopes(sets, program)
    output, status = Open3.capture2("/usr/bin/python3", "-c", program, stdin_data: JSON.generate(sets))
    raise "SciPy failed" unless status.success?

    JSON.parse(output)
  end

  it "agrees with the reference library" do
    random = Random.new(11)
    loose = Array.new(20) { Array.new(random.rand(6..45)) { |x| [x + random.rand, 20 + 0.1 * x + random.rand(-4.0..4.0)] } }
    tied = Array.new(20) { Array.new(random.rand(6..45)) { [random.rand(12), random.rand(5)] } }
    sets = loose + tied

    theilslopes(sets, program).zip(sets).each do |(slope, _, low, high), points|
      expect(described_class.slope(points)).to have_attributes(slope: be_within(1e-9).of(slope), low: be_within(1e-9).of(low),
        high: be_within(1e-9).of(high))
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
    series = ->(scores) { Windlass::Measures::MorningSeries.new(scores.each_with_index.map { |seconds, ago| control_pause(seconds, on: monday - ago) }) }

    expect(series[(0..20).map { |ago| 30 - ago / 7.0 }].trend(monday)).to have_attributes(slope: be_within(1e-9).of(1), clear?: true)
    expect(series[[24, 26, 23, 27, 25, 24, 26, 25]].trend(monday)).not_to be_clear
    expect(series[[24, 25, 26, 27, 28]].trend(monday)).to be_nil
  end
end
