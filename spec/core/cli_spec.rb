# frozen_string_literal: true

require "open3"

RSpec.describe Windlass::Cli do
  athlete = {sex: "male", age: 30, height_cm: 178, mass_kg: 75, control_pause_s: 25}.freeze
  hold = {kind: "hold", seconds: 35}.freeze

  def simulate(input, *options)
    text = input.is_a?(String) ? input : JSON.generate(input)
    stdout, stderr = StringIO.new, StringIO.new
    status = described_class.run(["simulate", *options], stdin: StringIO.new(text), stdout: stdout, stderr: stderr)
    [status, stdout.string, stderr.string.lines.map(&:chomp)]
  end

  it "simulates as documented, from the program itself" do
    input =
      JSON.generate(
        athlete: athlete.merge(posture: "seated", vital_capacity_l: nil),
        floor_sao2: 0.85,
        segments: [
          {kind: "breathe", seconds: 60, rate: 12, phase: "settle"},
          {kind: "inhale", seconds: 4, to: "full", route: "nose"},
          hold
        ]
      )
    output, status =
      Open3.capture2(File.expand_path("../../bin/windlass", __dir__), "simulate", "--trace", "1", stdin_data: input)
    answer = JSON.parse(output, symbolize_names: true)

    expect(status).to be_success
    expect(answer.keys).to eq %i[threshold holds end trace]
    expect(answer[:holds].first.keys).to eq %i[
      start_s seconds pco2_start po2_start co2_washout pco2_end po2_end sao2_min urge_s floor_s margin_s margin
    ]
    expect(answer[:holds].first).to include(start_s: be_within(1e-6).of(64), seconds: 35, margin: "clear")
    expect(answer[:trace].map { |point| point[:t] }).to match((0..99).map { |t| be_within(1e-9).of(t) })
    expect(answer[:trace].first.keys).to eq %i[t volume po2 pco2 sao2 spo2]
    expect(answer[:end].keys).to eq %i[po2 pco2 sao2]
  end

  wrong = {
    "a negative length" => [
      {athlete: athlete, segments: [hold, hold.merge(seconds: -35)]},
      "segments[1].seconds: -35 is not allowed; allowed: a number, 0.001 to 7200"
    ],
    "a level that does not exist" => [
      {athlete: athlete, segments: [{kind: "inhale", seconds: 4, to: "brim"}]},
      'segments[0].to: "brim" is not allowed; allowed: residual, passive, easy, big, full'
    ],
    "a body out of the model's range" => [
      {athlete: athlete.merge(age: 16), segments: [hold]},
      "athlete.age: 16 is not allowed; allowed: a number, 18 to 100"
    ],
    "lungs that cannot be" => [
      {athlete: athlete.merge(vital_capacity_l: 1.2), segments: [hold]},
      "athlete.vital_capacity_l: vital capacity (L): 1.2 is not allowed; allowed: more than 1.58, so that full " \
      "lungs hold more than resting ones"
    ],
    "altitude" => [
      {athlete: athlete.merge(barometric_mmhg: 600), segments: [hold]},
      "athlete.barometric_mmhg: 600 is not allowed; allowed: a number, 634 to 850"
    ],
    "a hundred thousand segments" => [
      {athlete: athlete, segments: [hold] * 100_000},
      "segments: 100000 entries are not allowed; allowed: 1 to 10000"
    ],
    "a session of days" => [
      {athlete: athlete, segments: [hold.merge(seconds: 7200)] * 4},
      "segments: 28800 s in all is not allowed; allowed: up to 21600"
    ],
    "a breath without its rate" => [
      {athlete: athlete, segments: [{kind: "breathe", seconds: 4}]},
      "segments[0].rate: is missing"
    ],
    "a slip in a name" => [
      {athlete: athlete.merge(hight_cm: 3), segments: [hold]},
      "athlete.hight_cm: is not known here"
    ],
    "no athlete" => [{segments: [hold]}, "athlete: is missing"],
    "something else than an object" => ["[1]", "input: [1] is not allowed; allowed: a JSON object"],
    "something else than JSON" => ["hold 35", /\Ainput: is not JSON/],
    "nothing" => [" \n", "input: is empty; allowed: a JSON object"]
  }

  wrong.each do |name, (input, fault)|
    it "refuses #{name} with a line, and prints nothing else" do
      status, output, faults = simulate(input)

      expect([status, output]).to eq [1, ""]
      expect(faults).to match [fault]
    end
  end

  it "lists every fault, a line each" do
    _, _, faults =
      simulate({athlete: {sex: "x", age: 30}, segments: [{kind: "dance", seconds: "long"}], extra: 1})

    expect(faults).to include(
      "athlete.height_cm: is missing",
      'athlete.sex: "x" is not allowed; allowed: female, male',
      'segments[0].kind: "dance" is not allowed; allowed: breathe, inhale, exhale, hold',
      "extra: is not known here"
    )
  end

  it "says how it is called where the call is wrong" do
    calls = [["applaud"], [], %w[simulate --loud], %w[simulate --trace 0], ["simulate", "no such file"]]
    answers =
      calls.map do |call|
        stderr = StringIO.new
        [described_class.run(call, stdin: StringIO.new("{}"), stdout: StringIO.new, stderr: stderr), stderr.string]
      end

    expect(answers.map(&:first)).to eq [2] * 5
    expect(answers.map(&:last)).to all(include("bin/windlass simulate [FILE] [--trace SECONDS]"))
  end

  describe Windlass::Formats::OximeterCsv::Reader do
    it "reads time in seconds, minutes or hours, percents, lost readings and a byte order mark; times run on, and " \
      "no second has a hundred readings" do
      samples =
        described_class.read(
          "\uFEFFTime,Saturation,Pulse,Battery\r\n0,98,60,\r\n1:05,97 %,61,ok\r\n66,,,\r\n1:00:00,92,\r\n"
        )

      expect(samples.map(&:to_a)).to eq [[0, 0.98, 60], [65, 0.97, 61], [3600, 0.92, nil]]
      faults =
        [[9, 3], [4] * 30].map { |times| "time,saturation,pulse\n#{times.map { |time| "#{time},98,60" }.join("\n")}" }
          .map do |text|
            described_class.read(text) && nil
        rescue
          $!.faults
          end
      expect(faults).to eq [
        ["line 3: time runs backwards; allowed: in order of time"],
        ["line 22: 30 readings in one second; allowed: up to 20"]
      ]
    end

    it "refuses what is wrong with the line, the value and what is allowed" do
      faults = ->(text) do
        begin
          described_class.read(text) && nil
        rescue
          $!.faults
        end
      end

      expect(faults["time,saturation,pulse\nsoon,98,60\n4,8,60\n5,97,900"]).to eq [
        'line 2: time "soon" is not allowed; allowed: seconds, mm:ss or hh:mm:ss',
        'line 3: saturation "8" is not allowed; allowed: 30 to 100',
        'line 4: pulse "900" is not allowed; allowed: 20 to 250'
      ]
      expect(faults["zeit,spo2\n1,2"]).to eq [
        "trace: column missing: time, saturation, pulse; needed: time, saturation, pulse"
      ]
      expect(faults["time,saturation,pulse\n"]).to eq ["trace: no line with a reading"]
      expect(faults["time,saturation,pulse\n\"1,2"]).to match [/is not CSV/]
    end
  end
end
