# frozen_string_literal: true

# Notes that chance writes: what is written is read back, and no rubbish is more than a fault with a column in the line.
RSpec.describe Windlass::Log::Line do
  today = Date.new(2026, 3, 20)
  scraps = [
    "60",
    "1:05",
    "62,5",
    "60x3",
    "x",
    "-",
    "s",
    "d",
    "gasp",
    "ok",
    "u30",
    "urge",
    "40",
    "c55",
    "lo92",
    "e7",
    "effort",
    "11",
    "lightheaded",
    "tingling",
    "strong",
    "blue",
    "lips",
    "mon",
    "1",
    "mar",
    "2026-03-01",
    "2027-01-01",
    "yesterday",
    "@18:30",
    "@99",
    ",",
    ";",
    "#",
    "💨",
    "\u0000",
    "é",
    "1e9",
    "0",
    "--",
    "9" * 40,
    "x" * 80,
    "1m75",
    "60×",
    "@",
    "e",
    "u"
  ].freeze

  it "reads back what it could have written, whatever the order of the parts that have none" do
    40.times do |seed|
      random = Random.new(seed)
      held = Array.new(random.rand(1..9)) { random.rand(1..9000) / 10.0 }
      breaths = held.map { [nil, :smooth, :deeper, :gasp].sample(random: random) }
      urges = held.map { |seconds| (seconds * 0.6).floor if random.rand < 0.3 }
      day = today - random.rand(0..80)
      loose = [
        "e#{random.rand(0..10)}",
        day.iso8601,
        "@#{random.rand(0..23)}:#{format("%02d", random.rand(0..59))}",
        "nausea"
      ].shuffle(random: random)
      parts =
        held
          .zip(breaths, urges)
          .flat_map do |seconds, breath, urge|
            ["#{seconds}#{["", "s"].sample(random: random)}", breath&.to_s, urge && "u#{urge}"].compact
          end
      loose.each { |one| parts.insert((random.rand < 0.5) ? 0 : parts.size, one) }
      entry = described_class.read("#{parts.join([" ", ", ", "  "].sample(random: random))} # #{seed}", today: today)

      expect([seed, entry.rounds.map(&:held_s), entry.rounds.map(&:first_breath), entry.rounds.map(&:urge_s)]).to eq [
        seed,
        held,
        breaths,
        urges.map { |urge| urge&.to_f }
      ]
      expect([entry.date, entry.note, entry.symptoms, entry.effort.nil?, entry.at.nil?]).to eq [
        day, seed.to_s, [:nausea], false, false
      ]
    end
  end

  it "answers rubbish with faults that name a column of the line, and nothing else ever goes wrong" do
    faulty =
      400.times.count do |seed|
        random = Random.new(seed)
        line = Array.new(random.rand(0..12)) { scraps.sample(random: random) }.join([" ", ","].sample(random: random))
        described_class.read(line, today: today, targets: [60, nil])
        false
      rescue Windlass::InvalidInput => error
        columns = error.faults.map { |fault| Integer(fault[/\Acolumn (\d+): /, 1], 10) }
        expect([line, columns]).to match [line, all(be_between(1, line.length))]
        expect([line, columns]).to eq [line, columns.sort]
        true
      end

    expect(faulty).to be_between(150, 390)
  end

  it "knows smooth only where it was said" do
    20.times do |seed|
      random = Random.new(seed)
      line = Array.new(8) { ["60", "60 d", "45 g", "x"].sample(random: random) }.join(" ")
      unknown = described_class.read(line, today: today).rounds.reject(&:skipped).map(&:first_breath)
      all = described_class.read("#{line} ok", today: today).rounds.reject(&:skipped).map(&:first_breath)

      expect([line, unknown]).not_to include(:smooth)
      expect([line, all]).to eq [line, unknown.map { |breath| breath || :smooth }]
    end
  end
end
