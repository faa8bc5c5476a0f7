# frozen_string_literal: true

require "windlass/formats"

# A notebook in any of the shapes that spreadsheets write.
RSpec.describe Windlass::Formats::NotebookCsv do
  today = Date.new(2026, 3, 20)

  define_method(:read) { |text, **more| described_class.new(text, today: today, **more) }

  it "reads comma or semicolon, UTF-8 or Windows-1252, with names of columns as people have them" do
    comma = read("\xEF\xBB\xBFName,Date,Held,Effort,Note\r\nŁucja,2026-03-01,\"60x2 g, ok\",7,\"cold, windy\"\r\n").rows.first
    semicolon = read("who;what;day;line;time;symptoms\nJosé;Small holds;1.3.2026;62,5 s;7:30;nausea\n".encode("Windows-1252").b).rows.first

    expect([comma.athlete, comma.entry.rounds.map(&:first_breath), comma.entry.effort, comma.entry.note]).to eq ["Łucja", %i[smooth gasp], 7, "cold, windy"]
    expect([semicolon.athlete, semicolon.protocol, semicolon.entry.date, semicolon.entry.at, semicolon.entry.rounds.first.held_s, semicolon.entry.symptoms]).to eq ["José", "Small holds", Date.new(2026, 3, 1), "07:30", 62.5, [:nausea]]
  end

  it "asks which comes first only where both orders fit, and finds out where one does not" do
    both = "athlete,date,holds\nA,03/02/2026,60\nA,05/03/2026,60\n"
    expect([read(both).asks_order?, read(both, day_first: true).rows.map { |row| row.entry.date.month }, read(both, day_first: false).rows.map { |row| row.entry&.date&.month }]).to eq [true, [2, 3], [3, nil]]
    month_first = read("athlete,date,holds\nA,02/13/2026,60\nA,03/02/2026,60\n")
    expect([month_first.asks_order?, month_first.rows.map { |row| row.entry.date.day }]).to eq [false, [13, 2]]
  end

  it "names line and column of what is wrong, and refuses what is no such file" do
    rows = read("athlete,date,holds\nA,2026-02-30,60\nA,2027-01-01,60\nA,2026-03-01,60 gsap\n").rows
    expect(rows.map { |row| [row.number, row.faults] }).to eq [[2, ["column date: “2026-02-30” is no day there is"]], [3, ["column date: 2027-01-01 is still to come"]], [4, ['column holds, column 4: "gsap" is not known; perhaps "gasp"']]]
    refused = ["name,holds\nA,60\n", "athlete,date,holds\nA,\"2026", "a\u0000b", "x" * 2_000_001].map { |text| read(text) && nil rescue $!.faults.first } # rubocop:disable Style/RescueModifier
    expect(refused).to match [/\Aline 1: no column for date; known are athlete/, /\Aline 2: Unclosed quoted field/, "file: is no text", /too many; allowed: 2000000/]
  end
end
