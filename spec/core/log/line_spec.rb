# frozen_string_literal: true

# Back-entry in one line, by the table of the design.
RSpec.describe Windlass::Log::Line do
  today = Date.new(2026, 3, 3)

  define_method(:read) { |text, **more| described_class.read(text, today: today, **more) }
  define_method(:held) { |text| read(text).rounds.map(&:held_s) }
  define_method(:faults) do |text|
    read(text) && []
  rescue
    $!.faults
  end # rubocop:disable Style/RescueModifier

  it "reads holds as they are written, several at once, and those left out" do
    expect(held("60 62.5 62,5 60s 1:00 1m05 2m 45x2, 1:10×2; 60, 61")).to eq [
      60, 62.5, 62.5, 60, 60, 65, 120, 45, 45, 70, 70, 60, 61
    ]
    expect(
      read("60 x - 55", targets: [60, 60]).rounds.map { |round| [round.held_s, round.skipped, round.target_s] }
    ).to eq [[60, false, 60], [nil, true, 60], [nil, true, nil], [55, false, nil]]
    expect([held("1:59"), faults("1:60").size]).to eq [[119], 1]
    # A dash stays a hold before and after the name of a symptom.
    expect(
      [
        "30 - nausea",
        "30 blackout, - 30",
        "1M24x3 , c47 Ok Yesterday, 71.5 , d 23 g 1:58X6 C116 , 52s×6 , deeper lo80, - , Nausea"
      ].map { |text| read(text).rounds.size }
    ).to eq [2, 3, 18]
  end

  it "gives marks to the hold before them; what nobody wrote is unknown, and smooth only with ok" do
    rounds = read("60x2 G u48 c 55 LO92 45 urge 40.5").rounds
    expect(rounds.map(&:first_breath)).to eq [nil, :gasp, nil]
    expect(rounds[1].to_h).to include(urge_s: 48.0, contraction_s: 55.0, sao2_low: 0.92)
    expect(read("ok 60x2 deeper x 50").rounds.map(&:first_breath)).to eq [:smooth, :deeper, nil, :smooth]
  end

  it "reads effort, symptoms by any of their names, day, time and note" do
    entry = read("60 e7 Light-Headed strong tingling blue lips mon @8:30 # windy, # twice")
    expect(entry.to_h).to include(
      effort: 7,
      symptoms: %i[lightheaded strong_tingling cyanosis],
      date: Date.new(2026, 3, 2),
      at: "08:30",
      note: "windy, # twice"
    )
    dates =
      ["2026-03-01", "1 mar", "march 1", "yesterday", "tue", "wed", "4 mar", "29 feb"].map do |text|
        faults("#{text} 60").first || read("#{text} 60").date.iso8601
      end
    expect(dates).to eq [
      "2026-03-01",
      "2026-03-01",
      "2026-03-01",
      "2026-03-02",
      "2026-03-03",
      "2026-02-25",
      "2025-03-04",
      'column 1: "29" is no day there is'
    ]
  end

  it "says where what is wrong, and what was perhaps meant" do
    expect(faults("60 60 s gsap")).to eq ['column 9: "gsap" is not known; perhaps "gasp"']
    expect(faults("tingling g 60 u61 0 60x0 1m75 lo20 e11 e5 e5 @25:00 2026-03-04")).to eq [
      'column 1: "tingling" could be "strong tingling" or "mild tingling"',
      'column 10: "g" belongs to a hold; there is none before it',
      "column 15: 61 s lies after the hold of 60 s",
      "column 19: 0 s is not allowed; allowed: 0.1 to 1200 s",
      "column 21: 0 times is not allowed; allowed: 1 to 100",
      'column 26: "1m75" is not a time; after the minutes come 00 to 59 seconds',
      "column 31: 20 % is not allowed; allowed: 30 to 100 %",
      "column 36: effort 11 is not allowed; allowed: 0 to 10",
      "column 43: effort is said twice",
      'column 46: "@25:00" is not a time of day; it is written @18:30',
      "column 53: 2026-03-04 is still to come; allowed: up to 2026-03-03"
    ]
    expect(faults("60 s g x d headache")).to eq [
      'column 6: "g" is said twice of one hold',
      'column 10: "d" belongs to a hold; the one before it was left out',
      'column 12: "headache" is not known; perhaps "headache over an hour"'
    ]
  end
end
