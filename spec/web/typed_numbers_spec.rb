# frozen_string_literal: true

require "web_helper"

# Numbers of a dose as coaches type them, and as they are shown again.
RSpec.describe Windlass::Forms::TypedNumbers do
  def parameter(unit, **more) =
    Windlass::Protocols::Parameter.new(key: :x, words: "x", unit: unit, range: 0..1000, **more)

  typed = {
    ["90", :s] => 90,
    [" 1:30 ", :s] => 90,
    ["0:05", :s] => 5,
    ["12:00", :s] => 720,
    ["4,5", :s] => 4.5,
    ["4.50", :s] => 4.5,
    ["1:30", :rounds] => "1:30",
    ["1:60", :s] => "1:60",
    ["-5", :s] => -5,
    ["1e3", :s] => "1e3",
    ["٣", :s] => "٣",
    ["9 s", :s] => "9 s",
    ["", :s] => "",
    ["72/min", :count_s] => 0.833,
    ["60 / min", :count_s] => 1,
    ["72", :count_s] => 0.833,
    ["72 bpm", :count_s] => 0.833,
    ["2", :count_s] => 2,
    ["19", :count_s] => 19,
    ["0/min", :count_s] => "0/min",
    ["72/min", :s] => "72/min"
  }

  typed.each do |(text, unit), value|
    it "reads #{text.inspect} of #{unit} as #{value.inspect}" do
      expect(described_class.read(text, parameter(unit))).to eq value
    end
  end

  it "reads several numbers however they are parted, and a choice as it stands" do
    expect(
      ["4:16:8:0", "4 16 8 0", "4 : 16 ; 8:0"].map { |text| described_class.read(text, parameter(:counts, numbers: 4)) }
        .uniq
    ).to eq [[4, 16, 8, 0]]
    expect(described_class.read(" left ", parameter(nil, choices: {"left" => "left first"}))).to eq "left"
  end

  it "shows what it reads: whole seconds from a minute on as a time, the rest as it is" do
    expect([59, 60, 65.5, 4.5].map { |seconds| described_class.show(seconds, parameter(:s)) }).to eq %w[
      59 1:00 65.5 4.5
    ]
    expect(described_class.show([4, 2.5, 4, 0], parameter(:counts, numbers: 4))).to eq "4 : 2.5 : 4 : 0"
  end

  # Whatever a family allows comes back the same through a page: shown, typed, read.
  it "brings every dose through a form unchanged, for every family, tried on many that chance makes" do
    Windlass::Protocols::ALL.each do |protocol|
      20.times do |seed|
        dose = allowed_dose(protocol, Random.new(seed))
        form = Windlass::Forms::Composed.from(dose, protocol, name: "Mine")

        expect([protocol.id, form.dose, form.errors]).to eq [protocol.id, protocol.lean(dose), {}]
        expect(Windlass::Forms::Composed.parse(form.typed, protocol: protocol).dose).to eq protocol.lean(dose)
      end
    end
  end

  # Numbers that do not go together are drawn again.
  def allowed_dose(protocol, random)
    dose = random_dose(protocol, random) until dose && protocol.faults(dose).empty?
    dose
  end

  # On the steps of its parameters, within their ranges; now and then a round that breaks the pattern.
  def random_dose(protocol, random)
    dose =
      protocol
        .parameters
        .reject { |one| one.optional && random.rand < 0.5 }
        .to_h { |one| [one.key, random_value(one, random)] }
    (random.rand < 0.3) ? dose.merge(breaks: [{round: random.rand(1..6), hold_s: random.rand(1..600)}]) : dose
  end

  def random_value(parameter, random)
    return parameter.choices.keys.sample(random: random) if parameter.choices
    return Array.new(parameter.numbers) { random.rand(1..parameter.range.end) } if parameter.numbers

    step = (parameter.step || 1).rationalize(1 / 1000r)
    steps = ((parameter.range.end - parameter.range.begin) / step).floor
    Windlass::Numbers.plain(parameter.range.begin.rationalize(1 / 1000r) + random.rand(0..steps) * step)
  end
end
